/** Anything that can be sent, on every endpoint, the lines of the bench and all importers. */
import fc from 'fast-check';
import { mkdtempSync, rmSync } from 'node:fs';
import { Agent, request } from 'node:http';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { WebSocket } from 'ws';
import { StandInBoard } from '@yurei/core/bench';
import type { Design } from '@yurei/core/design';
import {
  parseReadingSets,
  parseRecording,
  readDesign,
  readHappening,
  readScxml,
} from '@yurei/core/exchange';
import { ChildServer } from '../testing/child-server.js';
import { demo, Saver } from '../testing/saver.js';
import { scale } from '../testing/scale.js';

let folder: string;
let server: ChildServer;
let design: string;
const agent = new Agent({ keepAlive: true, maxSockets: 8 });

beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'yurei-fuzz-'));
  const watch = resolve('server/src/testing/watch-loop.mjs');
  server = await ChildServer.start(join(folder, 'data'), {}, ['--import', watch]);
  design = (await Saver.begin(server, 'Loft')).id;
  // What is told at the end is of the requests, not of the start.
  server.child.kill('SIGUSR2');
});
afterAll(async () => {
  agent.destroy();
  await server.kill();
  rmSync(folder, { recursive: true, force: true });
});

interface Asked {
  method: string;
  path: string;
  headers: Record<string, string>;
  body: Buffer;
}
const send = ({ method, path, headers, body }: Asked): Promise<number> =>
  new Promise((done, fail) => {
    const { hostname, port } = new URL(server.address);
    const req = request({ hostname, port, path, method, headers, agent }, (res) => {
      res.resume();
      res.on('end', () => done(res.statusCode ?? 0)).on('error', () => done(0));
      if (res.headers['content-type'] === 'text/event-stream') res.destroy();
    });
    // A body that the server does not wait for ends the connection.
    req.on('error', (error: NodeJS.ErrnoException) =>
      error.code === 'ECONNREFUSED' ? fail(error) : done(0),
    );
    req.end(body);
  });

const id = fc.constantFrom(
  '%ID',
  '00000000-0000-4000-8000-000000000000',
  'x',
  '%E0%A4%A',
  '..%2f..',
  '%00',
);
const paths = fc.oneof(
  fc.constantFrom(
    '/designs',
    '/import',
    '/import?accept=doubts',
    '/health',
    '/session',
    '/archive',
    '/backup',
  ),
  id.map((i) => `/designs/${i}`),
  fc
    .tuple(
      id,
      fc.constantFrom(
        'export',
        'as-it-is',
        'revisions',
        'revisions/1',
        'revisions/9e9',
        'answers',
        'studies',
        'bench',
      ),
    )
    .map(([i, end]) => `/designs/${i}/${end}`),
  fc.tuple(id, fc.constantFrom('', '/nights', '/cancel')).map(([i, end]) => `/studies/${i}${end}`),
  fc.webPath().map((p) => `/${p}`),
);
/** A sound design in which one value is another one. */
const spoilt = fc
  .tuple(fc.array(fc.nat(40), { maxLength: 6 }), fc.jsonValue())
  .map(([way, value]) => {
    const document = structuredClone(demo) as Record<string, unknown>;
    let at: Record<string, unknown> = document;
    for (const step of way) {
      const keys = Object.keys(at);
      const key = keys[step % Math.max(1, keys.length)];
      const next = at[key];
      if (typeof next !== 'object' || next === null) {
        if (key !== undefined) at[key] = value;
        break;
      }
      at = next as Record<string, unknown>;
    }
    return document;
  });
const text = fc.oneof(
  fc.string(),
  fc.json(),
  spoilt.map((d) => JSON.stringify(d)),
  spoilt.map((d) => JSON.stringify({ design: d, version: 1 })),
  fc.tuple(spoilt, fc.jsonValue()).map(([d, study]) => JSON.stringify({ design: d, study })),
  fc.jsonValue().map((answers) => JSON.stringify({ version: 1, answers })),
  fc.tuple(spoilt, fc.nat(3000)).map(([d, cut]) => JSON.stringify(d).slice(0, cut)),
);
const requests: fc.Arbitrary<Asked> = fc.record({
  method: fc.constantFrom('GET', 'POST', 'PUT', 'DELETE', 'PATCH', 'HEAD', 'OPTIONS'),
  path: paths.map((p) => `/api${p.replaceAll('%ID', design ?? 'x')}`),
  headers: fc.record(
    {
      'Content-Type': fc.constantFrom(
        'application/json',
        'application/json; charset=utf-16',
        'text/plain',
        'application/zip',
        'application/vnd.sqlite3',
        ';',
      ),
      'Content-Encoding': fc.constantFrom('gzip', 'br', 'identity', 'rot13'),
      Cookie: fc.constantFrom('yurei-session=x', ';;;', `yurei-session=${'a'.repeat(43)}`),
      'Sec-Fetch-Site': fc.constantFrom('same-origin', 'cross-site'),
    },
    { requiredKeys: ['Content-Type'] },
  ) as fc.Arbitrary<Record<string, string>>,
  body: fc.oneof(
    text.map((t) => Buffer.from(t)),
    fc.uint8Array({ maxLength: 400 }).map((b) => Buffer.from(b)),
  ),
});

it('no request is failed at, and none ends the server', async () => {
  const odd: [number, Asked][] = [];
  // Half of what is sent reaches what reads it.
  const fit = fc
    .tuple(requests, fc.boolean())
    .map(([r, plain]) => (plain ? { ...r, headers: { 'Content-Type': 'application/json' } } : r));
  const count = scale(1500, 100_000);
  let sent = 0;
  for (const batch of batches(count, 500)) {
    const some = fc.sample(fit, { numRuns: batch, seed: sent + 1 });
    await Promise.all(
      [0, 1, 2, 3].map(async (lane) => {
        for (let i = lane; i < some.length; i += 4) {
          if (some[i].method === 'DELETE' && some[i].path.includes(design)) continue;
          const status = await send(some[i]);
          if (status >= 500 && status !== 503 && status !== 507) odd.push([status, some[i]]);
        }
      }),
    );
    sent += batch;
  }
  expect(
    odd.map(([status, r]) => [
      status,
      r.method,
      r.path,
      r.headers,
      r.body.toString().slice(0, 300),
    ]),
  ).toEqual([]);
  expect(server.running).toBe(true);
  expect((await server.call('GET', '/health')).status).toBe(200);
  expect(server.memory).toBeLessThan(900);
  server.child.kill('SIGUSR2');
  await new Promise((go) => setTimeout(go, 200));
  console.log(
    `${count} requests; longest hold-up of the event ${server
      .said()
      .match(/loop \d+ ms/g)
      ?.at(-1)}`,
  );
});

function* batches(count: number, size: number): Generator<number> {
  for (let left = count; left > 0; left -= size) yield Math.min(size, left);
}

const lines = fc.oneof(
  fc.string({ maxLength: 60 }),
  fc
    .tuple(
      fc.constantFrom('rate', 'power', 'start', 'play', 'stop', 'pins', 'hello'),
      fc.string({ maxLength: 20 }),
    )
    .map((w) => w.join(' ')),
  fc.double().map((rate) => `rate ${rate}`),
  fc.json().map((json) => `start ${json}`),
);

it('no line of the bench is failed at', () => {
  const board = new StandInBoard(
    demo as unknown as Design,
    { ambient: {}, seed: 1 },
    readHappening,
  );
  let t = 0;
  fc.assert(
    fc.property(lines, (line) => {
      for (const said of board.hear(line, (t += 0.001))) expect(said).toMatch(/^(#|time,)/);
    }),
    { numRuns: scale(1500, 100_000) },
  );
});

it('lines over a real connection neither end the server nor go unanswered', async () => {
  const ws = new WebSocket(`${server.address.replace('http', 'ws')}api/designs/${design}/bench`);
  await new Promise((done) => ws.once('open', done));
  for (const line of fc.sample(lines, { numRuns: 80, seed: 5 })) ws.send(line);
  const answered = new Promise<void>((done) =>
    ws.on('message', (data) => /^# pins/.test(String(data)) && done()),
  );
  await new Promise((go) => setTimeout(go, 1000));
  ws.send('pins');
  await answered;
  ws.terminate();
});

describe('no importer throws', () => {
  const cells = fc
    .array(
      fc.array(fc.oneof(fc.string({ maxLength: 8 }), fc.double().map(String)), { maxLength: 5 }),
      { maxLength: 8 },
    )
    .map((rows) => rows.map((r) => r.join(',')).join('\n'));
  const xml = fc.oneof(
    fc.string(),
    fc.constantFrom(
      '<scxml',
      '<scxml/>',
      '<scxml version="1.0"><state id="a"/></scxml>',
      '<!DOCTYPE x [<!ENTITY a "&a;">]><scxml>&a;</scxml>',
    ),
  );
  it.each<[string, fc.Arbitrary<string>, (text: string) => unknown]>([
    ['design file', fc.oneof(text, fc.string()), readDesign],
    [
      'reading sets',
      fc.oneof(
        cells.map((c) => `set,intent,counts\n${c}`),
        fc.string(),
      ),
      parseReadingSets,
    ],
    ['recording', fc.oneof(cells, fc.string()), (t) => parseRecording(t)],
    ['mode charts', xml, readScxml],
    ['happening', fc.json(), (t) => readHappening(t, demo as unknown as Design)],
  ])('%s', (_, any, read) => {
    fc.assert(
      fc.property(any, (t) => {
        read(t);
      }),
      { numRuns: scale(300, 20_000) },
    );
  });
});
