/** Backups, putting them back, and archives: by the command line and by the server. */
import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { strToU8, unzipSync, zipSync } from 'fflate';
import { openRaw } from '../keeping/raw-database.js';
import { ChildServer } from '../testing/child-server.js';
import { demo, Saver } from '../testing/saver.js';

let folder: string;
let data: string;
let server: ChildServer | undefined;

beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'yurei-upkeep-'));
  data = join(folder, 'data');
});
afterEach(async () => {
  await server?.kill();
  server = undefined;
  rmSync(folder, { recursive: true, force: true });
});

const yurei = (...args: string[]): { status: number | null; stdout: string; stderr: string } =>
  spawnSync(process.execPath, [resolve('cli/bin/yurei.mjs'), ...args], { encoding: 'utf8' });
const inFolder = (name: string): string => join(folder, name);
const study = {
  scene: (demo['scenes'] as { id: string }[])[0].id,
  vary: { tolerances: true, temperature: 1, supply: 0, start: 1, strength: 0, place: 0 },
  first: 1,
  count: 4,
  ask: { for: 'nights' },
};

/** A shelf with two designs, one of which has three saves and a study that is done. */
async function filled(): Promise<Saver> {
  server = await ChildServer.start(data);
  await Saver.begin(server, 'Pontoon');
  const saver = await Saver.begin(server, 'Loft');
  for (let i = 0; i < 2; i++) await saver.save();
  const { body } = await server.call('POST', `/designs/${saver.id}/studies`, {
    design: demo,
    study,
  });
  await fetch(`${server.address}api/studies/${String(body['id'])}/nights`).then((r) => r.text());
  return saver;
}
interface Whole {
  design: unknown;
  revisions: { version: number }[];
  studies: { id: string; state: string; done: number }[];
}
const whole = async (id: string): Promise<Whole> => ({
  design: (await server?.call('GET', `/designs/${id}`))?.body,
  revisions: (await server?.call('GET', `/designs/${id}/revisions`))?.body as never,
  studies: (await server?.call('GET', `/designs/${id}/studies`))?.body as never,
});

it('a backup made while a hundred saves a second go on restores to what was true at one moment', async () => {
  server = await ChildServer.start(data);
  // Each maker saves all designs of theirs in turn: at any moment they are at most one save apart.
  const makers: Saver[][] = [];
  for (const maker of ['A', 'B', 'C', 'D', 'E', 'F']) {
    const own: Saver[] = [];
    for (const name of ['1', '2', '3']) own.push(await Saver.begin(server, maker + name));
    makers.push(own);
  }
  let going = true;
  const began = performance.now();
  const saving = makers.map(async (savers) => {
    while (going) for (const saver of savers) await saver.save();
  });
  await new Promise((go) => setTimeout(go, 300));
  const backup = inFolder('b.sqlite');
  expect(yurei('backup', backup, '--data', data)).toMatchObject({ status: 0 });
  const download = await fetch(`${server.address}api/backup`);
  writeFileSync(inFolder('c.sqlite'), Buffer.from(await download.arrayBuffer()));
  await new Promise((go) => setTimeout(go, 200));
  going = false;
  await Promise.all(saving);
  const rate =
    makers.flat().reduce((n, s) => n + s.count, 0) / ((performance.now() - began) / 1000);
  console.log(`${rate.toFixed(0)} saves a second`);
  await server.stop();
  for (const file of ['b.sqlite', 'c.sqlite']) {
    expect(yurei('restore', inFolder(file), '--data', inFolder(`from-${file}`))).toMatchObject({
      status: 0,
    });
    server = await ChildServer.start(inFolder(`from-${file}`));
    for (const savers of makers) {
      const versions: number[] = [];
      for (const { id } of savers) {
        const { body } = await server.call('GET', `/designs/${id}`);
        versions.push(Number(body['version']));
        const saves = (await server.call('GET', `/designs/${id}/revisions`)).body as unknown as {
          version: number;
        }[];
        expect(saves[0].version).toBe(body['version']);
      }
      expect(versions[0] - versions[2]).toBeLessThanOrEqual(1);
      expect(versions).toEqual([...versions].sort((a, b) => b - a));
      expect(versions[0]).toBeLessThan(savers[0].version);
    }
    await server.stop();
  }
});

it('a backup is put back on the shelf while the server runs; what was there is kept aside', async () => {
  const saver = await filled();
  const bytes = await (await fetch(`${server?.address}api/backup`)).arrayBuffer();
  await saver.save();
  const put = (body: BodyInit): Promise<Response> =>
    fetch(`${server?.address}api/backup`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/vnd.sqlite3' },
      body,
    });
  const junk = await put('no database');
  expect([junk.status, ((await junk.json()) as { title: string }).title]).toEqual([
    422,
    'The backup cannot be used',
  ]);
  expect((await server?.call('GET', `/designs/${saver.id}`))?.body['version']).toBe(4);
  expect((await put(bytes)).status).toBe(204);
  expect((await server?.call('GET', `/designs/${saver.id}`))?.body['version']).toBe(3);
  expect(readdirSync(join(data, 'backups')).some((name) => name.includes('before-restore'))).toBe(
    true,
  );
  saver.version = 3;
  expect((await saver.save()).status).toBe(200);
});

it('an archive holds open files, and brings a shelf back with saves and studies', async () => {
  const saver = await filled();
  const before = await whole(saver.id);
  const zip = inFolder('all.zip');
  expect(yurei('export-all', zip, '--data', data)).toMatchObject({ status: 0 });
  const files = unzipSync(readFileSync(zip));
  const manifest = JSON.parse(Buffer.from(files['archive.json']).toString()) as {
    designs: { file: string }[];
  };
  expect(manifest.designs).toHaveLength(2);
  for (const { file } of manifest.designs)
    expect(JSON.parse(Buffer.from(files[file]).toString())).toMatchObject({
      format: 'yurei-design',
    });
  await server?.stop();

  const other = inFolder('other');
  expect(yurei('import-all', zip, '--data', other).stdout).toMatch(/2 designs brought in; 0/);
  expect(yurei('import-all', zip, '--data', other).stdout).toMatch(/0 designs brought in; 2/);
  server = await ChildServer.start(other);
  const after = await whole(saver.id);
  expect(after).toEqual(before);
  const [{ id }] = after.studies;
  expect((await server.call('GET', `/studies/${id}`)).body['nights']).toHaveLength(4);

  // Another state of the same design is put beside it; nothing is overwritten.
  await server.call('PUT', `/designs/${saver.id}`, {
    version: 3,
    design: { ...demo, title: 'Changed here' },
  });
  const sent = await fetch(`${server.address}api/archive`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/zip' },
    body: readFileSync(zip),
  });
  expect(await sent.json()).toEqual({ designs: 1, there: 1 });
  const list = (await server.call('GET', '/designs')).body as unknown as { title: string }[];
  expect(list.map((d) => d.title).sort()).toEqual(['Changed here', 'Loft 2', 'Pontoon']);
});

it('a hostile archive: studies and saves that make no sense are left out, a design that cannot be read is shown as such', async () => {
  const about = (n: number): { id: string } & Record<string, unknown> => ({
    id: `1111111${n}-1111-4111-8111-111111111111`,
    title: `Design ${n}`,
    version: 1,
    createdAt: '',
    savedAt: '',
    answers: 'no JSON',
    file: `${n}.json`,
    revisions: [{ version: 1, savedAt: '', age: 0, file: 'not-there' }],
    studies: [
      'null',
      '{}',
      '[]',
      '{"document":null,"study":{"ask":{"for":"beside"}},"nights":[]}',
      'good',
    ].map((_, i) => ({
      id: `2222222${n}-2222-4222-8222-22222222222${i}`,
      madeAt: '',
      state: 'done',
      scene: '',
      ask: 'nights',
      done: 1,
      wanted: 1,
      trouble: '',
      file: `s${i}.json`,
    })),
  });
  const trial = { case: 0, night: { seed: 1, outcomes: {}, strays: 0 } };
  const sound = { document: demo, study };
  const zip = zipSync({
    'archive.json': strToU8(
      JSON.stringify({
        format: 'yurei-archive',
        version: 1,
        madeAt: '',
        designs: [about(1), about(2)],
      }),
    ),
    '1.json': strToU8(JSON.stringify(demo)),
    '2.json': strToU8('{"format":"yurei-design","version":99}'),
    's0.json': strToU8('null'),
    's1.json': strToU8('{"document":1,"study":{},"nights":[]}'),
    's2.json': strToU8(
      JSON.stringify({
        ...sound,
        study: { ...study, ask: { for: 'beside', other: 7, label: 'x' } },
        nights: [],
      }),
    ),
    's3.json': strToU8(JSON.stringify({ ...sound, nights: [{ case: 0, night: { seed: 'x' } }] })),
    's4.json': strToU8(JSON.stringify({ ...sound, nights: [trial] })),
  });
  server = await ChildServer.start(data);
  const answer = await fetch(`${server.address}api/archive`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/zip' },
    body: zip as BodyInit,
  });
  expect([answer.status, await answer.json()]).toEqual([200, { designs: 2, there: 0 }]);
  for (const n of [1, 2]) {
    const { studies } = await whole(about(n).id);
    expect(studies.map((s) => s.id.at(-1))).toEqual(['4']);
  }
  expect((await server.call('GET', `/designs/${about(1).id}`)).status).toBe(200);
  expect((await server.call('GET', `/designs/${about(2).id}`)).status).toBe(422);
  const shelf = (await server.call('GET', '/designs')).body as unknown as { unreadable?: string }[];
  expect(shelf.map((d) => d.unreadable !== undefined).sort()).toEqual([false, true]);
});

it('putting a backup back ends what was under way, and shows the shelf as it is then', async () => {
  const saver = await filled();
  const begin = (): Promise<{ body: Record<string, unknown> }> =>
    server?.call('POST', `/designs/${saver.id}/studies`, {
      design: demo,
      study: { ...study, count: 5000 },
    }) as never;
  const first = await begin();
  const bytes = await (await fetch(`${server?.address}api/backup`)).arrayBuffer();
  const second = await begin();
  const put = await fetch(`${server?.address}api/backup`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/vnd.sqlite3' },
    body: bytes,
  });
  expect(put.status).toBe(204);
  // The one that the backup knows is under way no more; the other one is not there.
  expect((await server?.call('GET', `/studies/${String(first.body['id'])}`))?.body['state']).toBe(
    'stopped',
  );
  expect((await server?.call('GET', `/studies/${String(second.body['id'])}`))?.status).toBe(404);
  for (let i = 0; i < 4; i++) expect((await begin()).body['state']).toBe('running');
});

describe('an archive that is none is refused, and changes nothing', () => {
  const manifest = (change: object): Uint8Array =>
    strToU8(
      JSON.stringify({ format: 'yurei-archive', version: 1, madeAt: '', designs: [], ...change }),
    );
  const lost = {
    id: '11111111-1111-4111-8111-111111111111',
    title: 'x',
    version: 1,
    createdAt: '',
    savedAt: '',
    answers: '',
    file: '../../etc/passwd',
    revisions: [],
    studies: [],
  };
  const archives: [string, Uint8Array | string, RegExp][] = [
    ['no ZIP', 'hello', /no whole ZIP/],
    ['an empty file', '', /no whole ZIP/],
    ['another ZIP', zipSync({ 'a.txt': strToU8('x') }), /no archive\.json/],
    [
      'a manifest that is none',
      zipSync({ 'archive.json': strToU8('{"format":') }),
      /archive\.json/,
    ],
    ['a newer archive', zipSync({ 'archive.json': manifest({ version: 2 }) }), /version/],
    [
      'a design that is not in it',
      zipSync({ 'archive.json': manifest({ designs: [lost] }) }),
      /not in it/,
    ],
    ['half of one', zipSync({ 'archive.json': manifest({}) }).slice(0, 60), /no whole ZIP/],
  ];

  it('by the server', async () => {
    server = await ChildServer.start(data);
    for (const [, content, reason] of archives) {
      const answer = await fetch(`${server.address}api/archive`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/zip' },
        body: content as BodyInit,
      });
      expect(answer.status).toBe(422);
      expect(((await answer.json()) as { detail: string }).detail).toMatch(reason);
      expect((await server.call('GET', '/designs')).body).toEqual([]);
    }
  });

  it.each(archives)('%s by the command line', (_, content, reason) => {
    writeFileSync(inFolder('x.zip'), content);
    const told = yurei('import-all', inFolder('x.zip'), '--data', data);
    expect(told.status).toBe(2);
    expect(told.stderr).toMatch(reason);
  });
});

it('the command line says in one line why it does nothing', async () => {
  await filled();
  const out = inFolder('out');
  const told = (...args: string[]): string => {
    const { status, stderr } = yurei(...args);
    expect(status).toBe(2);
    expect(stderr.trim().split('\n')).toHaveLength(1);
    return stderr;
  };
  expect(told('backup', out, '--data', inFolder('nowhere'))).toMatch(/no shelf in/);
  expect(told('restore', inFolder('nothing.sqlite'), '--data', data)).toMatch(/no database at/);
  expect(told('import-all', inFolder('nothing.zip'), '--data', data)).toMatch(/no file/);
  expect(yurei('backup', out, '--data', data).status).toBe(0);
  expect(told('backup', out, '--data', data)).toMatch(/is there already/);
  expect(told('restore', out, '--data', data)).toMatch(/in use by another Yurei/);
  expect(told('export-all', join(folder, 'no', 'folder.zip'), '--data', data)).toMatch(
    /could not be written|ENOENT/,
  );
});

it('one copy a day is made by itself and seven are kept; they are counted, not dated', async () => {
  await filled();
  await server?.stop();
  const backups = join(data, 'backups');
  for (let day = 1; day <= 9; day++) {
    // Copies whose dates a clock that was set wrong has put into the future.
    yurei('backup', join(folder, 'one.sqlite'), '--data', data);
    const name = `${String(day).padStart(6, '0')}-daily-20${50 - day}-01-01.sqlite`;
    rmSync(join(backups, name), { force: true });
    if (!existsSync(backups)) spawnSync('mkdir', [backups]);
    spawnSync('mv', [join(folder, 'one.sqlite'), join(backups, name)]);
  }
  server = await ChildServer.start(data);
  const names = (): string[] =>
    readdirSync(backups)
      .filter((n) => n.endsWith('.sqlite'))
      .sort();
  for (let i = 0; i < 200 && names().length !== 7; i++)
    await new Promise((go) => setTimeout(go, 25));
  expect(names()).toHaveLength(7);
  expect(names()[6]).toMatch(/^000010-daily-/);
  expect(names()[0]).toMatch(/^000004-daily-/);
});

it('what is removed gives its room back, and saves take little', async () => {
  server = await ChildServer.start(data);
  const readings = Array.from({ length: 8 }, (_, i) => ({
    id: `s${i}`,
    name: 'Night',
    channel: (demo['channels'] as { id: string }[])[0].id,
    intent: 'quiet',
    origin: 'typed',
    taken: '2026-11-25T21:00:00Z',
    every: 1,
    excluded: [],
    conditions: {},
    notes: '',
    counts: Array.from({ length: 12_000 }, (_, n) => 800 + ((n * 7919) % 41)),
  }));
  const design = { ...demo, readings };
  const size = JSON.stringify(design).length;
  expect(size).toBeGreaterThan(380_000);
  const { body } = await server.call('POST', '/designs', { design });
  for (let version = 1; version <= 40; version++)
    expect(
      (
        await server.call('PUT', `/designs/${String(body['id'])}`, {
          version,
          design: { ...design, title: `Save ${version}` },
        })
      ).status,
    ).toBe(200);
  await server.stop();
  const bytes = (): number => readFileSync(join(data, 'yurei.sqlite')).length;
  const full = bytes();
  // 41 whole copies would be 41 times as much.
  expect(full).toBeLessThan(size * 12);
  server = await ChildServer.start(data);
  await server.call('DELETE', `/designs/${String(body['id'])}`);
  await server.call('DELETE', `/bin/${String(body['id'])}`);
  await server.stop();
  expect(bytes()).toBeLessThan(full / 10);
  const raw = openRaw(join(data, 'yurei.sqlite'));
  expect(raw.pragma('integrity_check')).toEqual([{ integrity_check: 'ok' }]);
  raw.close();
});
