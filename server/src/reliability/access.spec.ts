/** Who may talk to the server. */
import { spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { request } from 'node:http';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { WebSocket } from 'ws';
import { ChildServer } from '../testing/child-server.js';
import { demo } from '../testing/saver.js';

let folder: string;
let server: ChildServer;
let port: string;

beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'yurei-access-'));
  server = await ChildServer.start(join(folder, 'data'));
  ({ port } = new URL(server.address));
});
afterAll(async () => {
  await server.kill();
  rmSync(folder, { recursive: true, force: true });
});

interface Told {
  status: number;
  headers: Record<string, string | string[] | undefined>;
  body: string;
}

/** A request with exactly these headers. */
const ask = (
  path: string,
  headers: Record<string, string>,
  method = 'GET',
  body?: string,
): Promise<Told> =>
  new Promise((done, fail) => {
    const req = request(
      { host: '127.0.0.1', port: new URL(server.address).port, path, method, headers },
      (res) => {
        let text = '';
        res.on('data', (chunk) => (text += chunk));
        res.on('end', () =>
          done({ status: res.statusCode ?? 0, headers: res.headers, body: text }),
        );
      },
    );
    req.on('error', fail);
    req.end(body);
  });

const json = { 'Content-Type': 'application/json' };
describe.each<[string, (port: string) => Record<string, string>, number]>([
  ['its own name', (p) => ({ Host: `127.0.0.1:${p}` }), 200],
  ['localhost', (p) => ({ Host: `localhost:${p}` }), 200],
  ['localhost in capitals', (p) => ({ Host: `LOCALHOST:${p}` }), 200],
  ['the loopback of IPv6', (p) => ({ Host: `[::1]:${p}` }), 200],
  ['a name that someone else gave it', (p) => ({ Host: `evil.example:${p}` }), 421],
  ['a name that begins like its own', (p) => ({ Host: `localhost.evil.example:${p}` }), 421],
  ['a name that ends like its own', (p) => ({ Host: `evil-localhost:${p}` }), 421],
  ['a name with a user before it', (p) => ({ Host: `localhost@evil.example:${p}` }), 421],
  ['another address of the network', (p) => ({ Host: `192.0.2.7:${p}` }), 421],
  ['its own page', (p) => ({ Host: `localhost:${p}`, Origin: `http://localhost:${p}` }), 200],
  [
    'a page of another site',
    (p) => ({ Host: `localhost:${p}`, Origin: 'http://evil.example' }),
    403,
  ],
  [
    'a page of another port',
    (p) => ({ Host: `localhost:${p}`, Origin: 'http://localhost:3000' }),
    403,
  ],
  ['a page without an origin', (p) => ({ Host: `localhost:${p}`, Origin: 'null' }), 403],
  [
    'a picture on another site',
    (p) => ({ Host: `localhost:${p}`, 'Sec-Fetch-Site': 'cross-site' }),
    403,
  ],
  [
    'a page of the same site',
    (p) => ({ Host: `localhost:${p}`, 'Sec-Fetch-Site': 'same-site' }),
    403,
  ],
  ['an address typed by hand', (p) => ({ Host: `localhost:${p}`, 'Sec-Fetch-Site': 'none' }), 200],
])('asked by %s', (_, headers, status) => {
  it('may look or not, and may change or not', async () => {
    expect((await ask('/api/designs', headers(port))).status).toBe(status);
    const made = await ask(
      '/api/designs',
      { ...headers(port), ...json },
      'POST',
      JSON.stringify({ design: demo }),
    );
    expect(made.status).toBe(status === 200 ? 201 : status);
  });
  it('may open the bench or not', async () => {
    const { id } = JSON.parse(
      (await ask('/api/designs', { Host: `localhost:${port}` })).body,
    )[0] as { id: string };
    const ws = new WebSocket(`ws://127.0.0.1:${port}/api/designs/${id}/bench`, {
      headers: headers(port),
    });
    const opened = await new Promise((done) =>
      ws
        .on('open', () => done(200))
        .on('error', (e) => done(Number(/: (\d+)$/.exec(e.message)?.[1]))),
    );
    ws.terminate();
    expect(opened).toBe(status);
  });
});

it.each([
  ['text/plain', 415],
  ['application/x-www-form-urlencoded', 415],
  ['multipart/form-data; boundary=x', 415],
  ['', 415],
  ['application/json; charset=utf-16', 415],
  ['application/json', 201],
  ['application/json; charset=UTF-8', 201],
])('a body of type %j: %d', async (type, status) => {
  const headers = { Host: `localhost:${port}`, ...(type ? { 'Content-Type': type } : {}) };
  expect((await ask('/api/import', headers, 'POST', JSON.stringify(demo))).status).toBe(status);
});

it.each([
  ['an encoding that nobody knows', { 'Content-Encoding': 'rot13' }, '{}', 415],
  ['a packed body that is not packed', { 'Content-Encoding': 'gzip' }, '{}', 400],
])('%s is told, not failed at', async (_, headers, body, status) => {
  const told = await ask(
    '/api/import',
    { Host: `localhost:${port}`, ...json, ...headers },
    'POST',
    body,
  );
  expect(told.status).toBe(status);
});

it('an address that cannot be decoded is told, not failed at', async () => {
  expect((await ask('/api/designs/%E0%A4%A', { Host: `localhost:${port}` })).status).toBe(400);
});

it('requests of other sites do not use up what the own page may ask', async () => {
  const foreign = { Host: `localhost:${port}`, 'Sec-Fetch-Site': 'cross-site' };
  const limits = async (): Promise<number> =>
    Number(
      (await ask('/api/health', { Host: `localhost:${port}` })).headers['ratelimit-remaining'],
    );
  const before = await limits();
  for (let i = 0; i < 50; i++) expect((await ask('/api/health', foreign)).status).toBe(403);
  expect(await limits()).toBe(before - 1);
  expect(before).toBeGreaterThan(3000);
});

it('tells browsers to talk to nobody else', async () => {
  const { headers } = await ask('/', { Host: `localhost:${port}` });
  expect(headers['content-security-policy']).toMatch(/connect-src 'self';.*form-action 'none'/);
});

it.each([
  ['what is there', '/api/designs', 200],
  ['what is not', '/api/nowhere', 404],
])('data is told to be data, of %s', async (_, path, status) => {
  const told = await ask(path, { Host: `localhost:${port}` });
  expect(told.status).toBe(status);
  expect(told.headers).toMatchObject({
    'cache-control': 'no-store',
    'content-security-policy': "default-src 'none'; frame-ancestors 'none'",
    'cross-origin-resource-policy': 'same-origin',
    'x-content-type-options': 'nosniff',
    'x-frame-options': 'DENY',
  });
});

it('answers to other names that were set, and to no others', async () => {
  const named = await ChildServer.start(join(folder, 'named'), {
    YUREI_NAMES: 'boathouse.local,192.0.2.9',
  });
  const asked = async (host: string): Promise<number> =>
    new Promise((done) =>
      request(
        {
          host: '127.0.0.1',
          port: new URL(named.address).port,
          path: '/api/health',
          headers: { Host: host },
        },
        (res) => done(res.resume().statusCode ?? 0),
      ).end(),
    );
  expect([
    await asked('boathouse.local'),
    await asked('192.0.2.9:80'),
    await asked('shed.local'),
  ]).toEqual([200, 200, 421]);
  await named.kill();
  await expect(
    ChildServer.start(join(folder, 'named'), { YUREI_NAMES: 'no names' }),
  ).rejects.toThrow(/YUREI_NAMES/);
});

it('a passcode that cannot be read keeps the server shut, and says so', async () => {
  const data = join(folder, 'odd');
  mkdirSync(data);
  for (const content of ['', '{}', '{"salt":"AAAA","hash":"AAAA"}', 'null']) {
    writeFileSync(join(data, 'passcode.json'), content);
    await expect(ChildServer.start(data, { HOST: '0.0.0.0' })).rejects.toThrow(
      /passcode in .* cannot be read/,
    );
  }
});

describe('opened to a network', () => {
  const data = (): string => join(folder, 'open');
  const yurei = (input: string): { status: number | null; stderr: string } =>
    spawnSync(process.execPath, [resolve('cli/bin/yurei.mjs'), 'passcode', '--data', data()], {
      input,
      encoding: 'utf8',
    });
  let open: ChildServer;
  const cookieOf = async (passcode: string): Promise<[number, string]> => {
    const response = await fetch(`${open.address}api/session`, {
      method: 'POST',
      headers: json,
      body: JSON.stringify({ passcode }),
    });
    return [response.status, response.headers.get('set-cookie') ?? ''];
  };

  it('does not start without a passcode, and says how to set one', async () => {
    await expect(ChildServer.start(data(), { HOST: '0.0.0.0' })).rejects.toThrow(
      /npx yurei passcode/,
    );
  });

  it('keeps a hash only, in a file of its own user; a short one is refused', async () => {
    expect(yurei('short\n')).toMatchObject({
      status: 2,
      stderr: expect.stringMatching(/8 to 200/),
    });
    expect(yurei('lantern by the slip\n').status).toBe(0);
    const file = join(data(), 'passcode.json');
    expect(readFileSync(file, 'utf8')).not.toContain('lantern');
    expect(statSync(file).mode & 0o077).toBe(0);
  });

  it('lets in who gives it, by a cookie that no script and no other site can use', async () => {
    open = await ChildServer.start(data(), { HOST: '0.0.0.0' });
    expect(open.said()).toMatch(/passcode/);
    expect((await open.call('GET', '/designs')).status).toBe(401);
    expect(await cookieOf('lantern by the ship')).toEqual([401, '']);
    const [status, cookie] = await cookieOf('lantern by the slip');
    expect(status).toBe(204);
    expect(cookie).toMatch(/HttpOnly; SameSite=Strict/);
    const [key] = cookie.split(';');
    expect((await open.call('GET', '/designs', undefined, { cookie: key })).status).toBe(200);
    await open.call('DELETE', '/session', undefined, { cookie: key });
    expect((await open.call('GET', '/designs', undefined, { cookie: key })).status).toBe(401);
  });

  it('does not open the bench without it', async () => {
    const id = '00000000-0000-4000-8000-000000000000';
    const ws = new WebSocket(`${open.address.replace('http', 'ws')}api/designs/${id}/bench`);
    await expect(new Promise((_, fail) => ws.on('error', fail))).rejects.toThrow(/401/);
  });

  it('takes only so many tries', async () => {
    let status = 401;
    for (let i = 0; i < 15 && status === 401; i++) [status] = await cookieOf(`guess number ${i}`);
    expect(status).toBe(429);
    expect((await cookieOf('lantern by the slip'))[0]).toBe(429);
    await open.kill();
  });
});
