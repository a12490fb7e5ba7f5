import { TestBed } from '@angular/core/testing';
import type { ReadingSet } from '@yurei/core/design';
import { demo, openBench, show } from '../../testing/workbench-bed';
import { BringDialog } from './bring-dialog';
import { Capturing } from './capturing';
import { LogReading } from './log-reading';

jest.mock('../common/chart', () => jest.requireActual('../../testing/chart-stand-in'));

async function dialog() {
  TestBed.configureTestingModule({ providers: [Capturing] });
  const bench = await openBench(demo('varnish-bench-fire'));
  const [channel] = bench.session.design()?.channels ?? [];
  const shown = await show(BringDialog, { channel, oneCount: 5 / 1023, open: true });
  const look = async (text: string | File, name = 'log.csv') => {
    await shown.fixture.componentInstance.look(name, text);
    await shown.settle();
  };
  const sets = (): ReadingSet[] =>
    bench.session.design()?.readings.filter((r) => r.channel === 'east') ?? [];
  return { ...bench, shown, look, sets };
}

const log = (n: number, value: (i: number) => number = (i) => 500 + (i % 3)): string =>
  `time,A0\n${Array.from({ length: n }, (_, i) => `${i * 0.04},${value(i)}`).join('\n')}\n`;

it('shows how a log is read before it reads it', async () => {
  const { shown, look, sets } = await dialog();
  await look('t (ms);note;U (mV)\n0;x;500\n40;y;505\n');
  expect(shown.text('th.time')).toBe('t (ms)');
  expect(shown.text('th.reading')).toBe('U (mV)');
  expect(shown.field('in').textContent.trim()).toBe('milliseconds');
  expect(sets()).toEqual([]);
});

it('keeps a log as a set of counts, named after its file', async () => {
  const { shown, look, sets } = await dialog();
  await look('t (ms);U (mV)\n0;500\n40;505\n80;510\n', 'dusk at the bench.csv');
  await shown.press('Read it');
  await shown.until(() => shown.text().includes('3 readings over 80.0 ms'));
  await shown.type('It is', 'nuisance');
  await shown.press('Keep 3 readings');
  expect(sets()[0]).toMatchObject({
    name: 'dusk at the bench',
    intent: 'nuisance',
    origin: 'file',
  });
  expect(sets()[0].every).toBeCloseTo(0.04, 9);
  // mV to counts of a converter of 10 bits on 5 V
  expect(sets()[0].counts[0]).toBeCloseTo(102.3, 6);
});

it('a guess that was wrong can be put right', async () => {
  const { shown, look, sets } = await dialog();
  await look('a,b\n5,700\n6,710\n7,720\n');
  await shown.type('Time', '-1');
  await shown.type('Reading', '0');
  await shown.press('Read it');
  await shown.until(() => shown.text().includes('3 readings'));
  await shown.press('Keep 3 readings');
  expect(sets()[0].counts).toEqual([5, 6, 7]);
});

it('a log in another unit than it says is not kept', async () => {
  const { shown, look, sets } = await dialog();
  await look('time,A0\n0,2500\n1,2600\n');
  await shown.press('Read it');
  await shown.until(() => shown.text().includes('2 readings'));
  await shown.press('Keep 2 readings');
  expect(shown.text('.refused')).toMatch(/2500 counts cannot be read here: 0 to 1023/);
  expect(sets()).toEqual([]);
});

it('takes a stretch by its ends', async () => {
  const { shown, look, sets } = await dialog();
  await look(log(100));
  await shown.press('Read it');
  await shown.until(() => shown.text().includes('100 readings'));
  await shown.type('From', '1 s');
  await shown.type('To', '2 s');
  await shown.press('Keep 26 readings');
  expect(sets()[0].counts).toHaveLength(26);
});

it('of a longer stretch than fits keeps evenly every so-manieth, and says so', async () => {
  const { shown, look, sets } = await dialog();
  await look(log(50_000));
  await shown.press('Read it');
  await shown.until(() => shown.text().includes('50000 readings'));
  await shown.press('Keep 20000 readings');
  expect(sets()[0].counts.length).toBeLessThanOrEqual(20_000);
  expect(sets()[0].counts.length).toBeGreaterThan(16_000);
  expect(sets()[0].every).toBeCloseTo(0.12, 9);
  expect(sets()[0].notes).toBe('One reading in 3 of a longer log.');
});

it('says when a design has no room for more, and keeps the log open', async () => {
  const { session, shown, look, sets } = await dialog();
  const counts = Array<number>(20_000).fill(1);
  const base = demo('varnish-bench-fire').readings[0];
  for (const id of ['a', 'b', 'c', 'd'])
    session.edit({ type: 'put-readings', set: { ...base, id, channel: 'east', counts } });
  await look(log(20_000));
  await shown.press('Read it');
  await shown.until(() => shown.text().includes('20000 readings'));
  await shown.press('Keep 20000 readings');
  expect(shown.text('.refused')).toMatch(/a design holds 100000\. Remove sets/);
  expect(sets()).toHaveLength(4);
  expect(shown.text()).toContain('Keep 20000 readings');
});

it.each([
  ['time,A0\n0,5\n1,none\n', /log\.csv: Line 3: "none" is not a number\. Nothing was changed/],
  ['time,A0\n5,5\n1,6\n', /Line 3: the time goes back/],
])('says the line of what it cannot read: %j', async (text, reason) => {
  const { shown, look, sets } = await dialog();
  await look(text);
  await shown.press('Read it');
  await shown.until(() => reason.test(shown.text()));
  expect(sets()).toEqual([]);
});

it.each([
  [
    'a file too large',
    Object.assign(new File([''], 'x'), {}),
    2.5e9,
    /x has 2\.5 GB; at most 200 MB/,
  ],
  [
    'a file that is no text',
    new File([new Uint8Array([80, 75, 0, 4])], 'x'),
    undefined,
    /x: It is not text/,
  ],
  ['an empty file', new File([''], 'x'), undefined, /x: There is nothing in it/],
])('refuses %s before reading it', async (_, file, size, reason) => {
  if (size !== undefined) Object.defineProperty(file, 'size', { value: size });
  // jsdom's files do not give their text.
  file.slice = () =>
    ({
      text: async () => (size === undefined ? (_.includes('no text') ? 'PK\0' : '') : ''),
    }) as Blob;
  const { shown, look } = await dialog();
  await look(file, 'x');
  expect(shown.text('.refused')).toMatch(reason);
});

it('can be cancelled while it reads', async () => {
  const { shown, look, sets } = await dialog();
  const reading = TestBed.inject(LogReading);
  let stop: (reason: Error) => void = () => undefined;
  reading.read = (_, onProgress) => {
    onProgress(0.4);
    return new Promise((_done, fail) => (stop = fail));
  };
  reading.cancel = () => stop(new Error('Cancelled.'));
  await look(log(10));
  await shown.press('Read it');
  expect(shown.find('[role=progressbar]').getAttribute('aria-valuenow')).toBe('40');
  await shown.press('Cancel');
  expect(shown.text('.refused')).toMatch(/Cancelled\. Nothing was changed/);
  expect(sets()).toEqual([]);
});

it.each([
  ['512 513', [512, 513]],
  ['2.5 V', [511.5]],
  ['50 %', [511.5]],
])('takes %s as typed', async (text, counts) => {
  const { shown, sets } = await dialog();
  const area = shown.find<HTMLTextAreaElement>('textarea');
  area.value = text;
  area.dispatchEvent(new Event('input'));
  await shown.settle();
  await shown.press('Keep what is typed');
  expect(sets()[0]).toMatchObject({ counts, origin: 'typed', name: 'Quiet' });
});

it.each([
  ['dark', /"dark" is no reading/],
  ['4000', /4000 counts cannot be read here: 0 to 1023/],
  ['9 V', /cannot be read here/],
])('does not take %s', async (text, reason) => {
  const { shown, sets } = await dialog();
  const area = shown.find<HTMLTextAreaElement>('textarea');
  area.value = text;
  area.dispatchEvent(new Event('input'));
  await shown.settle();
  await shown.press('Keep what is typed');
  expect(shown.text('.refused')).toMatch(reason);
  expect(sets()).toEqual([]);
});
