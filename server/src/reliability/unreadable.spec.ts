/** Rows that cannot be read, files of other programs and versions, and changes of the tables that fail. */
import {
  copyFileSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { FirstMigration1732406400000 } from '../keeping/migrations/first-migration.js';
import { StudyMigration1764100000000 } from '../keeping/migrations/study-migration.js';
import { openRaw, type RawDatabase } from '../keeping/raw-database.js';
import { ChildServer } from '../testing/child-server.js';
import { Faults } from '../testing/faults.js';
import { demo, Saver } from '../testing/saver.js';

let folder: string;
let data: string;
let file: string;
let server: ChildServer | undefined;

beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'yurei-unreadable-'));
  data = join(folder, 'data');
  file = join(data, 'yurei.sqlite');
});
afterEach(async () => {
  await server?.kill();
  server = undefined;
  rmSync(folder, { recursive: true, force: true });
});

/** Changes the database while no server runs. */
function tamper(sql: string, ...values: unknown[]): void {
  const raw = openRaw(file);
  raw.prepare(sql).run(...values);
  raw.close();
}
interface Shown {
  id: string;
  title: string;
  unreadable?: string;
}
const shelf = async (): Promise<Shown[]> =>
  (await server?.call('GET', '/designs'))?.body as unknown as Shown[];
const until = async (good: (list: Shown[]) => boolean): Promise<Shown[]> => {
  for (let i = 0; i < 400; i++) {
    const list = await shelf();
    if (good(list)) return list;
    await new Promise((go) => setTimeout(go, 25));
  }
  throw new Error(`Waited in vain; last: ${JSON.stringify(await shelf()).slice(0, 500)}`);
};

describe('one bad row', () => {
  const cases: [string, string, RegExp][] = [
    ['a newer format', `'{"format":"yurei-design","version":99}'`, /version 99/],
    ['broken JSON', `'{"format":'`, /not complete JSON/],
    ['one byte that is no text', `CAST(x'7b22ff7d' AS BLOB)`, /UTF-8/],
    ['nothing', `''`, /not complete JSON/],
    ['another document', `'{"format":"shopping-list"}'`, /no design document/],
    ['a design without parts', `'{"format":"yurei-design","version":5}'`, /required/],
  ];
  it.each(cases)(
    '%s is shown as such, with its bytes and its saves; the others stay',
    async (_, document, reason) => {
      server = await ChildServer.start(data);
      const [bad, good] = [await Saver.begin(server, 'Bad'), await Saver.begin(server, 'Good')];
      await bad.save();
      await server.stop();
      tamper(`UPDATE design SET document = CAST(${document} AS BLOB) WHERE id = ?`, bad.id);
      server = await ChildServer.start(data);
      const list = await until((shown) => shown.some((d) => d.unreadable));
      expect(list.map((d) => [d.id, d.unreadable !== undefined])).toEqual([
        [bad.id, true],
        [good.id, false],
      ]);
      expect(list[0].unreadable).toMatch(reason);
      expect((await server.call('GET', `/designs/${good.id}`)).status).toBe(200);

      const opened = await server.call('GET', `/designs/${bad.id}`);
      expect([opened.status, opened.body['title']]).toEqual([422, 'The design cannot be read']);
      const bytes = await fetch(`${server.address}api/designs/${bad.id}/as-it-is`);
      expect(bytes.status).toBe(200);
      expect(bytes.headers.get('content-disposition')).toMatch(/attachment/);
      const saves = (await server.call('GET', `/designs/${bad.id}/revisions`)).body as unknown as {
        version: number;
      }[];
      expect(saves.map((s) => s.version)).toEqual([2, 1]);
      // Going back to an earlier save makes it a design again.
      const { body } = await server.call('GET', `/designs/${bad.id}/revisions/2`);
      const back = await server.call('PUT', `/designs/${bad.id}`, {
        version: 2,
        design: body['design'],
      });
      expect(back.status).toBe(200);
      expect((await shelf()).every((d) => d.unreadable === undefined)).toBe(true);
    },
  );

  it('also where the damage is in a column or in a save', async () => {
    server = await ChildServer.start(data);
    const bad = await Saver.begin(server, 'Bad');
    await bad.save();
    await server.stop();
    tamper(
      `UPDATE design SET title = CAST(x'ff42' AS TEXT), saved_at = CAST(x'fe' AS TEXT) WHERE id = ?`,
      bad.id,
    );
    tamper(
      `UPDATE revision SET document = x'00ff', saved_at = CAST(x'ff' AS TEXT) WHERE version = 1 AND design_id = ?`,
      bad.id,
    );
    server = await ChildServer.start(data);
    const [shown] = await shelf();
    expect(shown.unreadable).toMatch(/UTF-8/);
    expect((await server.call('GET', `/designs/${bad.id}/revisions`)).status).toBe(200);
    expect((await server.call('GET', `/designs/${bad.id}/revisions/1`)).status).toBe(422);
    bad.server = server;
    expect((await bad.save()).status).toBe(200);
    expect((await shelf())[0].unreadable).toBeUndefined();
  });
});

/** The tables as the program before this one left them, with a design, two saves and a study. */
async function olderShelf(): Promise<{ id: string; study: string }> {
  mkdirSync(data);
  const raw = openRaw(file);
  const runner = { query: async (sql: string) => raw.exec(sql) };
  raw.exec('PRAGMA journal_mode = WAL');
  await new FirstMigration1732406400000().up(runner as never);
  await new StudyMigration1764100000000().up(runner as never);
  raw.exec(
    'CREATE TABLE migrations (id integer PRIMARY KEY AUTOINCREMENT NOT NULL, timestamp bigint NOT NULL, name varchar NOT NULL)',
  );
  raw.exec(
    `INSERT INTO migrations (timestamp, name) VALUES (1732406400000, 'FirstMigration1732406400000'), (1764100000000, 'StudyMigration1764100000000')`,
  );
  const [id, study] = [
    '11111111-1111-4111-8111-111111111111',
    '22222222-2222-4222-8222-222222222222',
  ];
  const text = JSON.stringify(demo);
  raw
    .prepare('INSERT INTO design VALUES (?, ?, 2, ?, ?, ?)')
    .run(id, 'Slipway beam', text, '2026-11-01T10:00:00Z', '2026-11-02T10:00:00Z');
  for (const [version, at] of [
    [1, '2026-11-01T10:00:00Z'],
    [2, '2026-11-02T10:00:00Z'],
  ])
    raw.prepare('INSERT INTO revision VALUES (?, ?, ?, ?)').run(id, version, text, at);
  const asked = {
    scene: (demo['scenes'] as { id: string }[])[0].id,
    first: 1,
    count: 1,
    vary: { tolerances: true, temperature: 1, supply: 0, start: 1, strength: 0, place: 0 },
    ask: { for: 'nights' },
  };
  const trials = [{ case: 0, night: { seed: 1, outcomes: {}, strays: 0 } }];
  raw
    .prepare('INSERT INTO study VALUES (?, ?, ?, ?, ?, ?, 1, 1, ?, ?, ?, ?)')
    .run(
      study,
      id,
      '2026-11-02T11:00:00Z',
      'running',
      'Night',
      'nights',
      '',
      text,
      JSON.stringify(asked),
      JSON.stringify(trials),
    );
  // The driver closes for good when it pleases; what it has to say by then is said now.
  raw.exec('PRAGMA wal_checkpoint(TRUNCATE)');
  raw.close();
  return { id, study };
}

describe('a shelf of an older version', () => {
  it('is brought up to date with everything on it; a copy of before is kept', async () => {
    const { id, study } = await olderShelf();
    server = await ChildServer.start(data);
    expect(await shelf()).toMatchObject([{ id, title: 'Slipway beam', version: 2, parts: 10 }]);
    expect((await server.call('GET', `/designs/${id}`)).body).toMatchObject({
      version: 2,
      design: demo,
    });
    expect((await server.call('GET', `/designs/${id}/revisions/1`)).body).toMatchObject({
      design: demo,
    });
    const kept = (await server.call('GET', `/studies/${study}`)).body;
    expect(kept).toMatchObject({
      state: 'stopped',
      done: 1,
      nights: [{ case: 0, night: { seed: 1 } }],
    });
    await server.stop();
    const [copy] = readdirSync(join(data, 'backups')).filter((name) =>
      name.includes('before-migration'),
    );
    const raw: RawDatabase = openRaw(join(data, 'backups', copy));
    expect(raw.prepare('SELECT count(*) AS n FROM revision').all()).toEqual([{ n: 2 }]);
    raw.close();
    // Everything stands in the file itself after a clean stop.
    const alone = join(folder, 'alone');
    mkdirSync(alone);
    copyFileSync(file, join(alone, 'yurei.sqlite'));
    server = await ChildServer.start(alone);
    expect(await shelf()).toHaveLength(1);
  });

  it.each([
    ['ENOSPC', /full.*make room/i],
    ['EIO', /disk/],
  ] as const)(
    'that cannot be changed for %s stays as it was, with the right advice',
    async (error, advice) => {
      const { id, study } = await olderShelf();
      const faults = new Faults(folder);
      const before = readFileSync(file);
      faults.begin(error, error === 'EIO' ? 60 : 0);
      const refused = await ChildServer.start(data, faults.env).then(
        () => '',
        (e: Error) => e.message,
      );
      expect(refused).toMatch(advice);
      expect(refused).not.toMatch(/move it away/);
      faults.end();
      if (error === 'ENOSPC') expect(readFileSync(file).equals(before)).toBe(true);
      server = await ChildServer.start(data, faults.env);
      expect(await shelf()).toMatchObject([{ id, version: 2, parts: 10 }]);
      expect((await server.call('GET', `/designs/${id}/revisions`)).body).toHaveLength(2);
      expect((await server.call('GET', `/studies/${study}`)).body).toMatchObject({ done: 1 });
    },
  );
});

describe('a file that is not ours is refused untouched', () => {
  const refusal = async (): Promise<string> =>
    ChildServer.start(data).then(
      () => 'started',
      (e: Error) => e.message,
    );
  const make = (...sql: string[]): Buffer => {
    mkdirSync(data);
    const raw = openRaw(file);
    for (const one of sql) raw.exec(one);
    raw.close();
    return readFileSync(file);
  };
  it('of another program', async () => {
    const before = make('CREATE TABLE bookmarks (url TEXT)', `INSERT INTO bookmarks VALUES ('x')`);
    expect(await refusal()).toMatch(/database of another program\. Set YUREI_DATA/);
    expect(readFileSync(file).equals(before)).toBe(true);
    expect(existsSync(`${file}-wal`)).toBe(false);
  });
  it('of another program that marks its files', async () => {
    const before = make('PRAGMA application_id = 7', 'CREATE TABLE t (x)');
    expect(await refusal()).toMatch(/database of another program/);
    expect(readFileSync(file).equals(before)).toBe(true);
  });
  it('of a newer version', async () => {
    server = await ChildServer.start(data);
    await Saver.begin(server, 'Loft');
    await server.stop();
    const raw = openRaw(file);
    raw.exec('PRAGMA user_version = 99; PRAGMA wal_checkpoint(TRUNCATE)');
    raw.close();
    const before = readFileSync(file);
    expect(await refusal()).toMatch(/newer version of this program\. Update the program/);
    expect(readFileSync(file).equals(before)).toBe(true);
  });
  it('without any sense', async () => {
    mkdirSync(data);
    writeFileSync(file, 'this is no database'.repeat(400));
    expect(await refusal()).toMatch(/cannot be used .*yurei restore/);
    expect(readFileSync(file, 'utf8')).toMatch(/^this is no database/);
  });
});

it('a disk that is full at the first start is told as such, and nothing is left behind', async () => {
  const faults = new Faults(folder);
  faults.begin('ENOSPC');
  await expect(ChildServer.start(data, faults.env)).rejects.toThrow(/The disk is full: make room/);
  expect(existsSync(file)).toBe(false);
  faults.end();
  server = await ChildServer.start(data, faults.env);
  expect(await shelf()).toEqual([]);
});
