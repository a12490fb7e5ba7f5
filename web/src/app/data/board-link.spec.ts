import { firstValueFrom, take, toArray } from 'rxjs';
import { canSerial, serialLink } from './board-link';

/** A serial port that is not there: what it sends is put in, what it is sent is kept. */
function fakePort() {
  let send: (text: string) => void = () => undefined;
  let fail: (error: Error) => void = () => undefined;
  let end: () => void = () => undefined;
  const sent: string[] = [];
  const log: string[] = [];
  const queue: ({ value?: Uint8Array; done: boolean } | Error)[] = [];
  let waiting: ((next: { value?: Uint8Array; done: boolean } | Error) => void) | undefined;
  const put = (next: { value?: Uint8Array; done: boolean } | Error): void => {
    if (waiting) waiting(next);
    else queue.push(next);
    waiting = undefined;
  };
  const bytes = (text: string) => Uint8Array.from(Buffer.from(text, 'utf8'));
  send = (text) => put({ value: bytes(text), done: false });
  fail = (error) => put(error);
  end = () => put({ done: true });
  const port = {
    open: async ({ baudRate }: { baudRate: number }) => void log.push(`open ${baudRate}`),
    close: async () => void log.push('close'),
    readable: {
      getReader: () => ({
        read: async () => {
          const next =
            queue.shift() ?? (await new Promise<never>((done) => (waiting = done as never)));
          if (next instanceof Error) throw next;
          return next;
        },
        cancel: async () => end(),
        releaseLock: () => log.push('released'),
      }),
    },
    writable: {
      getWriter: () => ({
        write: async (chunk: Uint8Array) => void sent.push(Buffer.from(chunk).toString()),
      }),
    },
  };
  Object.defineProperty(navigator, 'serial', {
    configurable: true,
    value: { requestPort: async () => port },
  });
  return { send, fail, end, sent, log };
}

afterEach(() => Reflect.deleteProperty(navigator, 'serial'));

it('is offered only where the browser can', () => {
  expect(canSerial()).toBe(false);
  fakePort();
  expect(canSerial()).toBe(true);
});

it('opens at 115,200 baud and puts lines together however they are cut', async () => {
  const { send, log } = fakePort();
  const link = await serialLink();
  expect(log).toEqual(['open 115200']);
  const lines = firstValueFrom(link.lines.pipe(take(3), toArray()));
  ['time,', 'A0\r\n0.0', '4,512\n# o', 'k\n'].forEach(send);
  expect((await lines).map((l) => l.trim())).toEqual(['time,A0', '0.04,512', '# ok']);
});

it('keeps a letter whole that two pieces share', async () => {
  const port = fakePort();
  const link = await serialLink();
  const line = firstValueFrom(link.lines);
  const whole = Buffer.from('# 25 °C\n');
  port.send(whole.subarray(0, 6).toString('latin1').slice(0, 5));
  port.send(' °C\n');
  expect(await line).toBe('# 25  °C');
});

it('ends each line it sends', async () => {
  const { sent } = fakePort();
  const link = await serialLink();
  link.send('rate 25');
  await Promise.resolve();
  expect(sent).toEqual(['rate 25\n']);
});

it('tells that the board was pulled out, and closes the port', async () => {
  const { fail, log } = fakePort();
  const link = await serialLink();
  const lines = firstValueFrom(link.lines);
  fail(new Error('The device has been lost.'));
  await expect(lines).rejects.toThrow('has been lost');
  await new Promise((done) => setTimeout(done, 0));
  expect(log).toContain('close');
});

it('closes the port when nobody listens any more', async () => {
  const { log } = fakePort();
  const link = await serialLink();
  const listening = link.lines.subscribe();
  listening.unsubscribe();
  await new Promise((done) => setTimeout(done, 5));
  expect(log.slice(-2)).toEqual(['released', 'close']);
});
