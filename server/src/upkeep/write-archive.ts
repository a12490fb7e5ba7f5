import { closeSync, fsyncSync, openSync, renameSync, rmSync, writeSync } from 'node:fs';
import { strToU8, Zip, ZipDeflate } from 'fflate';
import { asBytes, shownText } from '../keeping/bytes.js';
import { firstRow } from '../keeping/first-row.js';
import { unpackNow } from '../keeping/packing.js';
import { openRaw, type RawDatabase } from '../keeping/raw-database.js';
import type { ArchivedDesign, ArchivedStudy, Manifest } from './archive-shape.js';

type Cell = ArrayBuffer;
type Row<Column extends string> = Record<Column, Cell & number>;

/** How long it waits for who is writing, ms. */
const busyTimeout = 2000;

/**
 * Writes everything on a shelf into one open file (ZIP): designs, their revisions and studies, as they are at one moment.
 * The database may be in use; it is only read.
 *
 * @returns how many designs there are
 * @throws Error of SQLite or of the file system; no file is left then
 */
export function writeArchive(database: string, to: string): number {
  const part = `${to}.part`;
  const raw = openRaw(database, busyTimeout);
  const out = openSync(part, 'w');
  try {
    raw.exec('BEGIN');
    const designs = designsIn(raw);
    const manifest: Manifest = {
      format: 'yurei-archive',
      version: 1,
      madeAt: new Date().toISOString(),
      designs,
    };
    const add = zipInto(out);
    add('archive.json', strToU8(`${JSON.stringify(manifest, null, 2)}\n`));
    for (const design of designs) addDesign(raw, design, add);
    add();
    raw.exec('COMMIT');
    fsyncSync(out);
    closeSync(out);
    renameSync(part, to);
    return designs.length;
  } catch (error) {
    rmSync(part, { force: true });
    throw error;
  } finally {
    raw.close();
  }
}

type Add = (name?: string, content?: Uint8Array) => void;

/** @returns adds a file to the archive; without a name it ends it */
function zipInto(out: number): Add {
  let failure: Error | undefined;
  const zip = new Zip((error, chunk) => {
    if (error) failure = error;
    else writeSync(out, chunk);
  });
  return (name, content = new Uint8Array()) => {
    if (name === undefined) zip.end();
    else {
      const entry = new ZipDeflate(name, { level: 6 });
      zip.add(entry);
      entry.push(content, true);
    }
    if (failure) throw failure;
  };
}

const all = <Column extends string>(
  raw: RawDatabase,
  sql: string,
  ...of: string[]
): Row<Column>[] => raw.prepare(sql).all(...of) as Row<Column>[];

function designsIn(raw: RawDatabase): ArchivedDesign[] {
  const { seconds } = firstRow(all<'seconds'>(raw, 'SELECT seconds FROM keeper'));
  const texts = ['id', 'title', 'created_at', 'saved_at', 'answers'] as const;
  const columns = asBytes(...texts);
  return all<(typeof texts)[number] | 'version'>(
    raw,
    `SELECT ${columns}, version FROM design WHERE removed_at = '' ORDER BY touched`,
  ).map((row) => {
    const id = shownText(row['id']);
    return {
      id,
      title: shownText(row['title']),
      version: row['version'],
      createdAt: shownText(row['created_at']),
      savedAt: shownText(row['saved_at']),
      answers: shownText(row['answers']),
      file: `designs/${id}/design.yurei.json`,
      revisions: all<'version' | 'saved_at' | 'ran_for'>(
        raw,
        `SELECT version, ${asBytes('saved_at')}, ran_for FROM revision WHERE design_id = ? ORDER BY version`,
        id,
      ).map((r) => ({
        version: r['version'],
        savedAt: shownText(r['saved_at']),
        age: seconds - r['ran_for'],
        file: `designs/${id}/revisions/${String(r['version']).padStart(6, '0')}.yurei.json`,
      })),
      studies: studiesOf(raw, id),
    };
  });
}

function studiesOf(raw: RawDatabase, design: string): ArchivedStudy[] {
  const texts = ['id', 'made_at', 'state', 'scene', 'ask', 'trouble'] as const;
  const sql = `SELECT ${asBytes(...texts)}, done, wanted FROM study WHERE design_id = ? ORDER BY seq`;
  return all<(typeof texts)[number] | 'done' | 'wanted'>(raw, sql, design).map((row) => {
    const text = (of: (typeof texts)[number]): string => shownText(row[of]);
    const [id, state] = [text('id'), text('state')];
    return {
      id,
      madeAt: text('made_at'),
      // What is under way here is not where it is taken in.
      state: (state === 'running' ? 'stopped' : state) as ArchivedStudy['state'],
      scene: text('scene'),
      ask: text('ask') as ArchivedStudy['ask'],
      done: row['done'],
      wanted: row['wanted'],
      trouble: text('trouble'),
      file: `designs/${design}/studies/${id}.json`,
    };
  });
}

function addDesign(
  raw: RawDatabase,
  { id, file, revisions, studies }: ArchivedDesign,
  add: Add,
): void {
  const bytes = (sql: string, ...of: string[]): Uint8Array[] =>
    all(raw, sql, ...of).flatMap((row) =>
      Object.values<Cell>(row).map((cell) => new Uint8Array(cell)),
    );
  const one = (sql: string, ...of: string[]): Uint8Array => firstRow(bytes(sql, ...of));
  const document = one('SELECT document FROM design WHERE id = ?', id);
  add(file, document);
  for (const { version, file: name } of revisions) {
    const packed = one(
      `SELECT document FROM revision WHERE design_id = ? AND version = ${version}`,
      id,
    );
    add(name, unpacked(packed));
  }
  for (const { id: study, file: name } of studies) {
    const of = one('SELECT document FROM study WHERE id = ?', study);
    const asked = one('SELECT study FROM study WHERE id = ?', study);
    const trials = bytes(
      'SELECT nights FROM study_nights WHERE study_id = ? ORDER BY portion',
      study,
    )
      .map((list) => Buffer.from(unpacked(list)).toString().slice(1, -1))
      .filter((list) => list !== '');
    const text = [of, asked].map((packed) => Buffer.from(unpacked(packed)).toString());
    add(name, strToU8(`{"document":${text[0]},"study":${text[1]},"nights":[${trials.join()}]}`));
  }
}

/** What cannot be unpacked is damaged; it goes along as it is. */
function unpacked(packed: Uint8Array): Uint8Array {
  try {
    return unpackNow(packed);
  } catch {
    return packed;
  }
}
