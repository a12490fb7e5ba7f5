/** Connections that break, do not read, or say too much. */
import { mkdtempSync, rmSync } from 'node:fs';
import { connect } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { WebSocket } from 'ws';
import { ChildServer } from '../testing/child-server.js';
import { Saver } from '../testing/saver.js';
import { scale } from '../testing/scale.js';

let folder: string;
let server: ChildServer;
let design: string;

beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'yurei-sockets-'));
  server = await ChildServer.start(join(folder, 'data'));
  design = (await Saver.begin(server, 'Loft')).id;
});
afterAll(async () => {
  await server.kill();
  rmSync(folder, { recursive: true, force: true });
});

const upgrade = (path: string, more = ''): string =>
  `GET ${path} HTTP/1.1\r\nHost: ${new URL(server.address).host}\r\nConnection: Upgrade\r\nUpgrade: websocket\r\n` +
  `Sec-WebSocket-Version: 13\r\nSec-WebSocket-Key: dGhlIHNhbXBsZSBub25jZQ==\r\n${more}\r\n`;

/** Sends an upgrade and resets the connection after a while, ms. */
const reset = (request: string, after: number): Promise<void> =>
  new Promise((done) => {
    const socket = connect(Number(new URL(server.address).port), '127.0.0.1', () => {
      socket.write(request);
      setTimeout(() => socket.resetAndDestroy(), after);
    });
    socket.on('error', () => undefined);
    socket.on('close', () => done());
  });

it('survives upgrades that are refused and reset, and such that are reset while they are answered', async () => {
  const requests = [
    upgrade('/nowhere'),
    upgrade(`/api/designs/${design}/bench`, 'Origin: http://elsewhere.example\r\n'),
    upgrade('/api/designs/00000000-0000-4000-8000-000000000000/bench'),
    upgrade('/api/designs/no-id/bench'),
    upgrade(`/api/designs/${design}/bench`),
    upgrade(`/api/designs/${design}/bench`).replace('127.0.0.1', 'evil.example'),
  ];
  for (let i = 0; i < scale(50, 1000); i++)
    await Promise.all(
      Array.from({ length: 10 }, (_, n) => reset(requests[(i + n) % requests.length], (i * n) % 7)),
    );
  expect(server.running).toBe(true);
  expect((await server.call('GET', '/health')).status).toBe(200);
});

const open = async (): Promise<WebSocket> => {
  const ws = new WebSocket(`${server.address.replace('http', 'ws')}api/designs/${design}/bench`);
  await new Promise((done, fail) => ws.once('open', done).once('error', fail));
  return ws;
};
const closed = (ws: WebSocket): Promise<number> => new Promise((done) => ws.once('close', done));
/** The first line that is such. */
const heard = (ws: WebSocket, pattern: RegExp): Promise<string> =>
  new Promise((done) =>
    ws.on('message', (data) => pattern.test(String(data)) && done(String(data))),
  );

it('a client that never reads costs next to nothing', async () => {
  const before = server.memory;
  const deaf = await Promise.all(Array.from({ length: 4 }, open));
  for (const ws of deaf) {
    (ws as unknown as { _socket: { pause: () => void } })._socket.pause();
    ws.send('rate 1000');
  }
  await new Promise((go) => setTimeout(go, scale(4000, 120_000)));
  expect(server.memory - before).toBeLessThan(150);
  for (const ws of deaf) ws.terminate();
});

it('a client that says too much is sent away, the others stay', async () => {
  const [loud, calm] = [await open(), await open()];
  const gone = closed(loud);
  for (let i = 0; i < 500; i++) loud.send('pins');
  expect(await gone).toBe(1008);
  const answer = heard(calm, /^# pins/);
  calm.send('pins');
  expect(await answer).toMatch(/A0/);
  calm.terminate();
});

it('a line that is too long is refused', async () => {
  const ws = await open();
  const gone = closed(ws);
  ws.send('x'.repeat(100_000));
  expect(await gone).toBe(1009);
});

it('all boards together take only so many readings, and no more boards are opened than make sense', async () => {
  const many = await Promise.all(Array.from({ length: 20 }, open));
  await expect(open()).rejects.toThrow(/503/);
  const answers = many.map((ws) => heard(ws, /^# (ok|no)/));
  for (const ws of many) ws.send('rate 1000');
  const said = await Promise.all(answers);
  expect(said.filter((line) => line.startsWith('# ok'))).toHaveLength(5);
  expect(said.find((line) => line.startsWith('# no'))).toMatch(
    /5000 readings a second; 0 are left/,
  );
  // Meanwhile everything else goes on.
  expect((await server.call('GET', '/designs')).status).toBe(200);
  for (const ws of many) ws.terminate();
  const again = async (): Promise<WebSocket> => open().catch(() => again());
  (await again()).terminate();
});

it('a request that is never finished, and answers that nobody takes, leave the server as it was', async () => {
  const { host, port } = new URL(server.address);
  const sockets = Array.from({ length: 50 }, () => {
    const socket = connect(Number(port), '127.0.0.1');
    socket.on('error', () => undefined);
    socket.write(
      `POST /api/import HTTP/1.1\r\nHost: ${host}\r\nContent-Type: application/json\r\nContent-Length: 99999\r\n\r\n{"x`,
    );
    return socket;
  });
  expect((await server.call('GET', '/designs')).status).toBe(200);
  for (const socket of sockets) socket.resetAndDestroy();
  expect((await server.call('GET', '/health')).status).toBe(200);
});
