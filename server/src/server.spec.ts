import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { pino } from 'pino';
import { WebSocket } from 'ws';
import type { DesignMakeup, StoredDesign } from '@yurei/core/exchange';
import { readConfig, type Config } from './config.js';
import { openDatabase } from './keeping/open-database.js';
import { packNow } from './keeping/packing.js';
import { openRaw } from './keeping/raw-database.js';
import { startServer, type RunningServer } from './start-server.js';

const log = pino({ level: 'silent' });
const demoText = readFileSync('demo/slipway-beam.yurei.json', 'utf8');
const demo = JSON.parse(demoText);

let folder: string;
let server: RunningServer;
const config = (change: Partial<Config> = {}): Config => ({
  host: '127.0.0.1',
  port: 0,
  data: join(folder, 'data'),
  web: folder,
  built: resolve('server/dist'),
  names: [],
  ...change,
});

interface Answer {
  status: number;
  type: string;
  body: Record<string, never> & { id: string; version: number; detail: string; title: string };
}

async function call(method: string, path: string, body?: unknown): Promise<Answer> {
  const text = typeof body === 'string';
  const response = await fetch(`${server.address}api${path}`, {
    method,
    headers: body === undefined ? {} : { 'Content-Type': 'application/json' },
    body: body === undefined ? undefined : text ? body : JSON.stringify(body),
  });
  const answer = await response.text();
  const type = response.headers.get('content-type') ?? '';
  return {
    status: response.status,
    type,
    body: type.includes('json') ? JSON.parse(answer) : answer,
  };
}

beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'yurei-server-'));
  server = await startServer(config(), log);
});
afterEach(async () => {
  await server.stop();
  rmSync(folder, { recursive: true, force: true });
});

it('opens a design that an older version of the program has kept, brought up to date', async () => {
  const { body } = await call('POST', '/designs', { design: demo });
  await server.stop();
  const old = {
    ...demo,
    version: 1,
    plan: undefined,
    recordings: undefined,
    scenes: demo.scenes.map((s: { happenings: { path: object[] }[] }) => ({
      ...s,
      happenings: s.happenings.map(({ path: [from, to], ...rest }) => ({ ...rest, from, to })),
    })),
  };
  const { database } = await openDatabase(join(folder, 'data'));
  const text = JSON.stringify(old);
  await database.write(async (manager) => {
    await manager.query('UPDATE design SET document = ?, title = title WHERE id = ?', [
      Buffer.from(text),
      body.id,
    ]);
    await manager.query('UPDATE revision SET document = ? WHERE design_id = ?', [
      packNow(text),
      body.id,
    ]);
  });
  await database.close();
  server = await startServer(config(), log);
  const opened = (await call('GET', `/designs/${body.id}`)).body as unknown as StoredDesign;
  expect(opened.design).toMatchObject({ version: 12, scenes: demo.scenes, recordings: [] });
  expect(opened.design.plan.width).toBeGreaterThan(4);
  expect((await call('GET', '/designs')).status).toBe(200);
  const kept = await call('GET', `/designs/${body.id}/revisions/1`);
  expect(kept.body as unknown as StoredDesign).toMatchObject({ design: { version: 12 } });
});

it('keeps a design through create, save, stop and start, with every revision', async () => {
  const { body: created, status } = await call('POST', '/designs', { design: demo });
  expect(status).toBe(201);
  const changed = { ...demo, title: 'Slipway beam, moved' };
  expect(
    (await call('PUT', `/designs/${created.id}`, { version: 1, design: changed })).body.version,
  ).toBe(2);

  await server.stop();
  server = await startServer(config(), log);
  expect(server.fresh).toBe(false);

  const { body } = await call('GET', `/designs/${created.id}`);
  expect(body).toMatchObject({ version: 2, design: changed });
  expect((await call('GET', '/designs')).body).toMatchObject([
    { title: 'Slipway beam, moved', parts: 10, scenes: demo.scenes.length },
  ]);
  expect((await call('GET', `/designs/${created.id}/revisions`)).body).toMatchObject([
    { version: 2 },
    { version: 1 },
  ]);
  expect((await call('GET', `/designs/${created.id}/revisions/1`)).body).toMatchObject({
    design: demo,
  });
});

it('refuses a stale save and loses nothing', async () => {
  const { id } = (await call('POST', '/designs', { design: demo })).body;
  await call('PUT', `/designs/${id}`, { version: 1, design: { ...demo, title: 'First' } });
  const stale = await call('PUT', `/designs/${id}`, {
    version: 1,
    design: { ...demo, title: 'Second' },
  });
  expect(stale).toMatchObject({
    status: 409,
    type: expect.stringContaining('application/problem+json'),
    body: { current: 2 },
  });
  expect((await call('GET', `/designs/${id}`)).body).toMatchObject({ design: { title: 'First' } });
});

it('saves that are asked for at once are kept each for itself: what refuses one undoes no other', async () => {
  const made = await Promise.all(
    Array.from({ length: 6 }, () => call('POST', '/designs', { design: demo })),
  );
  const saves = made.flatMap(({ body: { id } }, i) =>
    // Of each pair one is stale, whichever comes second.
    [1, 2].map((n) =>
      call('PUT', `/designs/${id}`, { version: 1, design: { ...demo, title: `Save ${i} ${n}` } }),
    ),
  );
  const answers = await Promise.all(saves);
  const statuses = made.map((_, i) => [answers[2 * i].status, answers[2 * i + 1].status].sort());
  expect(statuses).toEqual(made.map(() => [200, 409]));
  const shelf = (await call('GET', '/designs')).body as unknown as { version: number }[];
  expect(shelf.map((d) => d.version)).toEqual(made.map(() => 2));
});

it('the same save sent twice is one save', async () => {
  const { id } = (await call('POST', '/designs', { design: demo })).body;
  const save = { version: 1, design: { ...demo, title: 'Once' } };
  const first = await call('PUT', `/designs/${id}`, save);
  const again = await call('PUT', `/designs/${id}`, save);
  expect([first.status, again.status]).toEqual([200, 200]);
  expect(again.body).toEqual(first.body);
  const revisions = await call('GET', `/designs/${id}/revisions`);
  expect(revisions.body as unknown as unknown[]).toHaveLength(2);
});

it('imports what it exports, byte for byte in content', async () => {
  const { id } = (await call('POST', '/import', demoText)).body;
  const exported = await fetch(`${server.address}api/designs/${id}/export`);
  expect(exported.headers.get('content-disposition')).toContain('slipway-beam.yurei.json');
  const text = await exported.text();
  expect(JSON.parse(text)).toEqual(demo);
  const again = (await call('POST', '/import', text)).body;
  expect((await call('GET', `/designs/${again.id}`)).body).toMatchObject({ design: demo });
});

it('asks before it imports a doubtful value', async () => {
  const slip = demoText.replace('"ohms": 10000 ', '"ohms": 10000000 ');
  expect(await call('POST', '/import', slip)).toMatchObject({
    status: 422,
    body: { doubts: [{ place: expect.stringContaining('(R1).params.ohms') }] },
  });
  expect((await call('GET', '/designs')).body).toEqual([]);
  expect((await call('POST', '/import?accept=doubts', slip)).status).toBe(201);
});

describe('the bin', () => {
  const onShelf = async (): Promise<string[]> =>
    ((await call('GET', '/designs')).body as unknown as { id: string }[]).map((d) => d.id);
  const inBin = async (): Promise<string[]> =>
    ((await call('GET', '/bin')).body as unknown as { id: string }[]).map((d) => d.id);

  it('keeps what is removed, off the shelf and out of reach, until it is had back as it was', async () => {
    const { id } = (await call('POST', '/designs', { design: demo })).body;
    await call('PUT', `/designs/${id}`, { version: 1, design: { ...demo, title: 'Second' } });
    expect((await call('DELETE', `/designs/${id}`)).status).toBe(204);
    expect([await onShelf(), await inBin()]).toEqual([[], [id]]);
    for (const [method, path, body] of [
      ['GET', `/designs/${id}`, undefined],
      ['GET', `/designs/${id}/export`, undefined],
      ['GET', `/designs/${id}/revisions`, undefined],
      ['GET', `/designs/${id}/revisions/1`, undefined],
      ['PUT', `/designs/${id}`, { version: 2, design: demo }],
      ['DELETE', `/designs/${id}`, undefined],
    ] as const)
      expect([path, (await call(method, path, body)).status]).toEqual([path, 404]);
    expect((await call('POST', `/bin/${id}/put-back`)).status).toBe(204);
    expect([await onShelf(), await inBin()]).toEqual([[id], []]);
    expect((await call('GET', `/designs/${id}`)).body).toMatchObject({
      version: 2,
      design: { title: 'Second' },
    });
    expect((await call('GET', `/designs/${id}/revisions/1`)).status).toBe(200);
    expect(await call('POST', `/bin/${id}/put-back`)).toMatchObject({
      status: 404,
      body: { title: 'Not in the bin' },
    });
  });

  it('removes for good with all revisions only what lies in it', async () => {
    const { id } = (await call('POST', '/designs', { design: demo })).body;
    expect((await call('DELETE', `/bin/${id}`)).status).toBe(404);
    expect(await onShelf()).toEqual([id]);
    await call('DELETE', `/designs/${id}`);
    expect((await call('DELETE', `/bin/${id}`)).status).toBe(204);
    expect([await onShelf(), await inBin()]).toEqual([[], []]);
    expect((await call('POST', `/bin/${id}/put-back`)).status).toBe(404);
  });

  it('is emptied of what has lain in it for 30 days, and of nothing younger', async () => {
    const ids = [];
    for (const title of ['Old', 'Young', 'Kept'])
      ids.push((await call('POST', '/designs', { design: { ...demo, title } })).body.id);
    await call('DELETE', `/designs/${ids[0]}`);
    await call('DELETE', `/designs/${ids[1]}`);
    await server.stop();
    const raw = openRaw(join(folder, 'data', 'yurei.sqlite'));
    const ago = (days: number) => new Date(Date.now() - days * 86_400_000).toISOString();
    raw.prepare('UPDATE design SET removed_at = ? WHERE id = ?').run(ago(30.01), ids[0]);
    raw.prepare('UPDATE design SET removed_at = ? WHERE id = ?').run(ago(29.99), ids[1]);
    raw.close();
    server = await startServer(config(), log);
    for (let i = 0; i < 100 && (await inBin()).length > 1; i++)
      await new Promise((go) => setTimeout(go, 20));
    expect([await onShelf(), await inBin()]).toEqual([[ids[2]], [ids[1]]]);
  });
});

describe('what the shelf tells of a design', () => {
  interface Shown {
    id: string;
    example: boolean;
    openedAt: string;
    makeup: DesignMakeup;
  }
  const shelf = async (): Promise<Shown[]> =>
    (await call('GET', '/designs')).body as unknown as Shown[];

  it('comes packed where that is understood', async () => {
    for (let i = 0; i < 5; i++) await call('POST', '/designs', { design: demo });
    const list = (encoding: string): Promise<Response> =>
      fetch(`${server.address}api/designs`, { headers: { 'Accept-Encoding': encoding } });
    const [packed, plain] = await Promise.all([list('gzip'), list('identity')]);
    const coding = (answer: Response) => answer.headers.get('content-encoding');
    expect([coding(packed), coding(plain)]).toEqual(['gzip', null]);
    expect(await packed.json()).toEqual(await plain.json());
  });

  it('is what it feels, what acts in it, and whether it has a controller', async () => {
    await call('POST', '/designs', { design: demo });
    const bilge = readFileSync('demo/bilge-sump.yurei.json', 'utf8');
    await call('POST', '/import', bilge);
    const [sump, beam] = await shelf();
    expect(beam.makeup).toMatchObject({ controller: true, acts: ['Sounder, 12 V'] });
    expect(beam.makeup.senses).toContain('Infrared, 800 to 1000 nm');
    expect(sump.makeup).toMatchObject({ controller: false });
    expect(sump.makeup.senses.join()).toMatch(/water/i);
    const { parts, wires } = beam.makeup.sketch;
    expect(parts).toHaveLength(demo.parts.length);
    // The receiver leads to the controller; no supply is drawn.
    const place = (id: string) => demo.parts.findIndex((p: { id: string }) => p.id === id);
    expect(wires).toContainEqual([place('B1'), place('U1')]);
    expect(wires.length).toBeLessThan(demo.wires.length / 2);
  });

  it('is an example until it is changed, and when it was opened', async () => {
    const { id } = (await call('POST', '/import?as=example', demoText)).body;
    expect(await shelf()).toMatchObject([{ id, example: true, openedAt: '' }]);
    expect((await call('POST', `/designs/${id}/opened`)).status).toBe(204);
    const [opened] = await shelf();
    expect(opened.example).toBe(true);
    expect(Math.abs(Date.parse(opened.openedAt) - Date.now())).toBeLessThan(60_000);
    await call('PUT', `/designs/${id}`, { version: 1, design: { ...demo, title: 'Mine' } });
    expect(await shelf()).toMatchObject([{ id, example: false }]);
  });
});

describe('bad requests get problem details and change nothing', () => {
  const unknown = '00000000-0000-4000-8000-000000000000';
  const cases: [string, string, string, unknown, number, RegExp][] = [
    ['a broken import', 'POST', '/import', '{"format":', 422, /Nothing was changed/],
    ['an import of 50 MB', 'POST', '/import', 'x'.repeat(50e6), 413, /larger than 2 MB/],
    ['JSON that is none', 'POST', '/designs', '{"design":', 400, /not complete JSON/],
    ['no design', 'POST', '/designs', {}, 400, /"design" is required/],
    ['a design that is none', 'POST', '/designs', { design: { format: 'x' } }, 422, /Nothing/],
    ['a bad id', 'GET', '/designs/abc', undefined, 400, /GUID/],
    ['an unknown id', 'GET', `/designs/${unknown}`, undefined, 404, /not on the shelf/],
    [
      'a save without a version',
      'PUT',
      `/designs/${unknown}`,
      { design: demo },
      400,
      /"version" is required/,
    ],
    [
      'a save of an unknown design',
      'PUT',
      `/designs/${unknown}`,
      { version: 1, design: demo },
      404,
      /not on the shelf/,
    ],
    ['a bad revision', 'GET', `/designs/${unknown}/revisions/x`, undefined, 400, /number/],
    ['an unknown query', 'POST', '/import?accept=all', demoText, 400, /accept/],
    ['an unknown address', 'GET', '/nowhere', undefined, 404, /nothing at GET/],
  ];
  it.each(cases)('%s', async (_, method, path, body, status, detail) => {
    const answer = await call(method, path, body);
    expect(answer.status).toBe(status);
    expect(answer.type).toContain('application/problem+json');
    expect(answer.body.detail).toMatch(detail);
    expect((await call('GET', '/designs')).body).toEqual([]);
  });
});

describe('a start that cannot be made is told in one line', () => {
  const oneLine = async (change: Partial<Config>): Promise<string> => {
    const message = await startServer(config(change), log).then(
      () => 'started',
      (error: Error) => `${error.name}: ${error.message}`,
    );
    expect(message.split('\n')).toHaveLength(1);
    return message;
  };
  it('port in use', async () => {
    const other = createServer().listen(0, '127.0.0.1');
    await new Promise((done) => other.once('listening', done));
    const { port } = other.address() as { port: number };
    expect(await oneLine({ port, data: join(folder, 'other') })).toMatch(
      /StartError: Port \d+ .* is in use/,
    );
    other.close();
  });
  it('unwritable data folder', async () => {
    writeFileSync(join(folder, 'file'), '');
    expect(await oneLine({ data: join(folder, 'file', 'data') })).toMatch(
      /StartError: The data folder .* cannot be written/,
    );
  });
  it('damaged database, which is left as it is', async () => {
    const data = mkdtempSync(join(folder, 'damaged-'));
    const junk = 'this is no database'.repeat(400);
    writeFileSync(join(data, 'yurei.sqlite'), junk);
    expect(await oneLine({ data })).toMatch(
      /StartError: The database .* cannot be used .* left untouched/,
    );
    expect(readFileSync(join(data, 'yurei.sqlite'), 'utf8')).toBe(junk);
  });
  it('settings that make no sense', () => {
    expect(() => readConfig({ PORT: 'many' }, '/')).toThrow(/"PORT" must be a number/);
    expect(readConfig({ PORT: '1234', YUREI_DATA: '/d' }, '/')).toMatchObject({
      port: 1234,
      data: '/d',
      host: '127.0.0.1',
    });
  });
});

describe('the stand-in board', () => {
  /** Opens the board of a design and collects what it says. */
  async function board(id: string, origin?: string): Promise<{ ws: WebSocket; lines: string[] }> {
    const url = `${server.address.replace('http', 'ws')}api/designs/${id}/bench`;
    const ws = new WebSocket(url, origin === undefined ? {} : { origin });
    const lines: string[] = [];
    ws.on('message', (data) => lines.push(String(data)));
    await new Promise((done, fail) => ws.on('open', done).on('error', fail));
    return { ws, lines };
  }
  const heard = async (lines: string[], pattern: RegExp): Promise<void> => {
    while (!lines.some((line) => pattern.test(line))) await new Promise((r) => setTimeout(r, 10));
  };

  it('answers, reads at its rate, and is built anew when the circuit changes', async () => {
    const { body } = await call('POST', '/designs', { design: demo });
    const { ws, lines } = await board(body.id, server.address.slice(0, -1));
    ws.send('hello');
    ws.send('rate 50');
    await heard(lines, /^# yurei bench 1/);
    await heard(lines, /^time,A0$/);
    await heard(lines, /^\d+(\.\d+)?,8\d\d$/);
    const channels = [{ ...demo.channels[0], threshold: 300 }];
    await call('PUT', `/designs/${body.id}`, { version: 1, design: { ...demo, channels } });
    const parts = demo.parts.map((p: { id: string; params: object }) =>
      p.id === 'R1' ? { ...p, params: { ...p.params, ohms: 100 } } : p,
    );
    await call('PUT', `/designs/${body.id}`, { version: 2, design: { ...demo, parts } });
    await heard(lines, /^# rebuilt$/);
    expect(lines.filter((l) => l === '# rebuilt')).toHaveLength(1);
    ws.terminate();
  });

  it('refuses pages of other origins, unknown designs and addresses', async () => {
    const { body } = await call('POST', '/designs', { design: demo });
    await expect(board(body.id, 'http://elsewhere.example')).rejects.toThrow(/403/);
    await expect(board('00000000-0000-4000-8000-000000000000')).rejects.toThrow(/404/);
    await expect(board('no-id')).rejects.toThrow(/400/);
  });
});
