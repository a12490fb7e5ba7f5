/** Many nights on the server. Its threads run the built program: `npm run build` first. */
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { pino } from 'pino';
import type { StoredStudy, StudySummary } from '@yurei/core/exchange';
import { casesOf, caseTrial, usualVariation, withSampled, type Study } from '@yurei/core/trials';
import { startServer, type RunningServer } from './start-server.js';

const demo = JSON.parse(readFileSync('demo/slipway-beam.yurei.json', 'utf8'));
const [scene] = demo.scenes;
const few: Study = {
  scene: scene.id,
  vary: usualVariation,
  first: 1,
  count: 4,
  ask: { for: 'nights' },
};

let folder: string;
let server: RunningServer;
let design: string;
const start = (): Promise<RunningServer> =>
  startServer(
    {
      host: '127.0.0.1',
      port: 0,
      data: join(folder, 'data'),
      web: folder,
      built: resolve('server/dist'),
      names: [],
    },
    pino({ level: 'silent' }),
  );

async function call<T>(method: string, path: string, body?: unknown): Promise<[number, T]> {
  const response = await fetch(`${server.address}api${path}`, {
    method,
    headers: { 'Content-Type': 'application/json' },
    body: body === undefined ? undefined : JSON.stringify(body),
  });
  const text = await response.text();
  return [
    response.status,
    (text.startsWith('{') || text.startsWith('[') ? JSON.parse(text) : text) as T,
  ];
}

const begin = (study: unknown) =>
  call<StudySummary & { detail: string }>('POST', `/designs/${design}/studies`, {
    design: demo,
    study,
  });

/** All that is told of a study until it ends. */
async function told(
  id: string,
): Promise<{ nights: StoredStudy['nights']; end: { state: string } }> {
  const [, text] = await call<string>('GET', `/studies/${id}/nights`);
  const events = text
    .trim()
    .split('\n\n')
    .map((event) => {
      const [name, data] = event.split('\n').map((line) => line.slice(line.indexOf(': ') + 2));
      return { name, data: JSON.parse(data) };
    });
  return {
    nights: events.filter((e) => e.name === 'nights').flatMap((e) => e.data),
    end: events[events.length - 1].data,
  };
}

beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'yurei-studies-'));
  server = await start();
  [, { id: design }] = await call<{ id: string }>('POST', '/designs', { design: demo });
});
afterEach(async () => {
  await server.stop();
  rmSync(folder, { recursive: true, force: true });
});

it('rehearses the same nights as are rehearsed here, tells them as they come, and keeps them', async () => {
  const [status, { id, wanted }] = await begin(few);
  expect([status, wanted]).toEqual([201, 4]);
  const { nights: trials, end } = await told(id);
  expect(end.state).toBe('done');
  const [own] = casesOf(demo, few);
  const sorted = trials.map((n) => n.night).sort((a, b) => a.seed - b.seed);
  expect(sorted.map((n) => withSampled(own, scene, few, n))).toEqual(
    [1, 2, 3, 4].map((seed) => caseTrial(own, scene, few, seed)),
  );
  await server.stop();
  server = await start();
  const [, [kept]] = await call<StudySummary[]>('GET', `/designs/${design}/studies`);
  expect(kept).toMatchObject({ id, state: 'done', done: 4, scene: scene.name, ask: 'nights' });
  const [, whole] = await call<StoredStudy>('GET', `/studies/${id}`);
  expect(whole.study).toEqual(few);
  expect(whole.document.parts).toEqual(demo.parts);
  expect((await told(id)).nights).toHaveLength(4);
});

it('gives every case of a map its nights', async () => {
  const axis = (field: string, from: number, to: number) => ({
    dial: { of: 'channel', channel: demo.channels[0].id, field },
    from,
    to,
    steps: 2,
  });
  const ask = { for: 'map', axes: [axis('threshold', 300, 420), axis('hits', 1, 6)] };
  const [, { id }] = await begin({ ...few, count: 1, ask });
  const { nights: trials } = await told(id);
  expect(trials.map((n) => n.case).sort()).toEqual([0, 1, 2, 3]);
});

it('is cancelled at once; what was rehearsed stays, and can be removed', async () => {
  const [, { id }] = await begin({ ...few, count: 5000 });
  await new Promise((go) => setTimeout(go, 1500));
  expect((await call('POST', `/studies/${id}/cancel`))[0]).toBe(204);
  const [, { state, done, nights: trials }] = await call<StoredStudy>('GET', `/studies/${id}`);
  expect(state).toBe('cancelled');
  expect(done).toBe(trials.length);
  expect(done).toBeLessThan(5000);
  expect((await call('DELETE', `/studies/${id}`))[0]).toBe(204);
  expect((await call('GET', `/studies/${id}`))[0]).toBe(404);
});

it('keeps what was done when the server stops, and says so', async () => {
  const [, { id }] = await begin({ ...few, count: 5000 });
  await server.stop();
  server = await start();
  expect((await call<StoredStudy>('GET', `/studies/${id}`))[1].state).toBe('stopped');
});

it('ends with its design, and makes room for another one', async () => {
  const ids: string[] = [];
  for (let i = 0; i < 4; i++) ids.push((await begin({ ...few, count: 5000 }))[1].id);
  expect((await begin(few))[0]).toBe(429);
  expect((await call('DELETE', `/designs/${design}`))[0]).toBe(204);
  // It lies in the bin with them; they go on no longer.
  for (const id of ids)
    expect((await call<StudySummary>('GET', `/studies/${id}`))[1].state).toBe('cancelled');
  expect((await call('DELETE', `/bin/${design}`))[0]).toBe(204);
  for (const id of ids) expect((await call('GET', `/studies/${id}`))[0]).toBe(404);
  [, { id: design }] = await call<{ id: string }>('POST', '/designs', { design: demo });
  expect((await begin(few))[0]).toBe(201);
});

it('studies stay in the order in which they were begun when the clock is set back, and the newest are kept', async () => {
  const ids: string[] = [];
  const real = Date.now();
  jest.useFakeTimers({
    doNotFake: [
      'nextTick',
      'setImmediate',
      'setInterval',
      'setTimeout',
      'clearInterval',
      'clearTimeout',
      'queueMicrotask',
      'performance',
    ],
  });
  for (let i = 0; i < 52; i++) {
    // Each is made a day before the one before it.
    jest.setSystemTime(real - i * 86_400_000);
    const { id } = (await begin({ ...few, count: 1 }))[1];
    await told(id);
    ids.push(id);
  }
  jest.useRealTimers();
  const [, kept] = await call<StudySummary[]>('GET', `/designs/${design}/studies`);
  expect(kept.map((s) => s.id)).toEqual(ids.slice(-kept.length).reverse());
  expect(kept.length).toBeGreaterThanOrEqual(50);
});

const swept = { of: 'part', part: 'R1', param: 'ohms' };
const map = (...axes: object[]) => ({ ...few, ask: { for: 'map', axes } });
it.each<[string, unknown, RegExp]>([
  ['a scene it does not have', { ...few, scene: 'x' }, /no scene “x”/],
  ['no nights', { ...few, count: 0 }, /greater than or equal to 1/],
  [
    'a dial it does not have',
    map(
      { dial: swept, from: 1e3, to: 2e3, steps: 3 },
      { dial: { ...swept, part: 'R99' }, from: 1, to: 2, steps: 3 },
    ),
    /does not have/,
  ],
  ['a map without axes', { ...few, ask: { for: 'map' } }, /axes.*required/],
  [
    'one dial twice',
    map({ dial: swept, from: 1e3, to: 2e3, steps: 3 }, { dial: swept, from: 1, to: 2, steps: 3 }),
    /same value/,
  ],
  [
    'an end out of range',
    map(
      { dial: { ...swept, part: 'R2' }, from: -1, to: 2e3, steps: 3 },
      { dial: swept, from: 1e3, to: 2e3, steps: 3 },
    ),
    /goes from/,
  ],
  [
    'more nights than one study may have',
    {
      ...map(
        { dial: swept, from: 1e3, to: 2e3, steps: 15 },
        { dial: { ...swept, part: 'R2' }, from: 1e3, to: 2e3, steps: 15 },
      ),
      count: 1000,
    },
    /225000 nights/,
  ],
  [
    'a broken other design',
    { ...few, ask: { for: 'beside', label: 'x', other: { format: 'y' } } },
    /other design cannot be used/,
  ],
])('refuses %s', async (_, study, reason) => {
  const [status, { detail }] = await begin(study);
  expect(status).toBeGreaterThanOrEqual(400);
  expect(detail).toMatch(reason);
});

it('knows only studies and designs that are there', async () => {
  const nobody = '00000000-0000-4000-8000-000000000000';
  expect((await call('GET', `/studies/${nobody}`))[0]).toBe(404);
  expect((await call('GET', `/designs/${nobody}/studies`))[0]).toBe(404);
  expect((await call('GET', '/studies/x'))[0]).toBe(400);
});
