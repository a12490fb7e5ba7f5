import type { MigrationInterface, QueryRunner } from 'typeorm';
import { factsOf, noFacts } from '../design-facts.js';
import { packNow } from '../packing.js';
import { applicationId } from './mark.js';
import { firstRow } from '../first-row.js';

type Row<Column extends string> = Record<Column, ArrayBuffer>;

/**
 * Columns for what the shelf shows, revisions packed, studies in the order in which they were begun with their nights
 * in portions, and a count of changes. Documents are kept to the byte, readable or not.
 */
export class KeepingMigration1764200000000 implements MigrationInterface {
  name = 'KeepingMigration1764200000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const sql of made) await runner.query(sql);
    await moveDesigns(runner);
    await moveRevisions(runner);
    await moveStudies(runner);
    for (const table of ['study', 'revision', 'design']) {
      await runner.query(`DROP TABLE ${table}`);
      await runner.query(`ALTER TABLE ${table}_3 RENAME TO ${table}`);
    }
    await runner.query('CREATE INDEX study_of_design ON study (design_id, seq)');
    await runner.query('CREATE INDEX design_on_shelf ON design (touched)');
    await runner.query(`PRAGMA application_id = ${applicationId}`);
    await runner.query('PRAGMA user_version = 3');
  }

  async down(): Promise<void> {
    throw new Error('There is no way back: put the copy that was made before in its place.');
  }
}

const made = [
  `CREATE TABLE keeper (
    one INTEGER PRIMARY KEY CHECK (one = 1), writes INTEGER NOT NULL, seconds REAL NOT NULL
  )`,
  'INSERT INTO keeper VALUES (1, 0, 0)',
  `CREATE TABLE design_3 (
    id TEXT PRIMARY KEY,
    title TEXT NOT NULL,
    purpose TEXT NOT NULL,
    site TEXT NOT NULL,
    parts INTEGER NOT NULL,
    scenes INTEGER NOT NULL,
    answers TEXT NOT NULL,
    version INTEGER NOT NULL,
    touched INTEGER NOT NULL,
    created_at TEXT NOT NULL,
    saved_at TEXT NOT NULL,
    document BLOB NOT NULL
  )`,
  `CREATE TABLE revision_3 (
    design_id TEXT NOT NULL REFERENCES design (id) ON DELETE CASCADE,
    version INTEGER NOT NULL,
    saved_at TEXT NOT NULL,
    ran_for REAL NOT NULL,
    document BLOB NOT NULL,
    PRIMARY KEY (design_id, version)
  )`,
  `CREATE TABLE study_3 (
    seq INTEGER PRIMARY KEY AUTOINCREMENT,
    id TEXT NOT NULL UNIQUE,
    design_id TEXT NOT NULL REFERENCES design (id) ON DELETE CASCADE,
    made_at TEXT NOT NULL,
    state TEXT NOT NULL,
    scene TEXT NOT NULL,
    ask TEXT NOT NULL,
    done INTEGER NOT NULL,
    wanted INTEGER NOT NULL,
    trouble TEXT NOT NULL,
    document BLOB NOT NULL,
    study BLOB NOT NULL
  )`,
  `CREATE TABLE study_nights (
    study_id TEXT NOT NULL REFERENCES study (id) ON DELETE CASCADE,
    portion INTEGER NOT NULL,
    nights BLOB NOT NULL,
    PRIMARY KEY (study_id, portion)
  )`,
];

async function moveDesigns(runner: QueryRunner): Promise<void> {
  // Last on top of the shelf, as it was shown.
  const rows = (await runner.query('SELECT rowid AS r FROM design ORDER BY saved_at')) as {
    r: number;
  }[];
  for (const [touched, { r }] of rows.entries()) {
    const row = firstRow(
      (await runner.query(
        'SELECT CAST(document AS BLOB) AS document, CAST(title AS BLOB) AS title FROM design WHERE rowid = ?',
        [r],
      )) as Row<'document' | 'title'>[],
    );
    const { title, purpose, site, parts, scenes } = factsOf(Buffer.from(row.document)) ?? {
      ...noFacts,
      title: Buffer.from(row.title).toString(),
    };
    await runner.query(
      `INSERT INTO design_3 SELECT id, ?, ?, ?, ?, ?, '', version, ?, created_at, saved_at, CAST(document AS BLOB)
       FROM design WHERE rowid = ?`,
      [title, purpose, site, parts, scenes, touched, r],
    );
  }
}

async function moveRevisions(runner: QueryRunner): Promise<void> {
  const rows = (await runner.query('SELECT rowid AS r FROM revision')) as { r: number }[];
  for (const { r } of rows) {
    const { document } = firstRow(
      (await runner.query(
        'SELECT CAST(document AS BLOB) AS document, 1 AS one FROM revision WHERE rowid = ?',
        [r],
      )) as Row<'document'>[],
    );
    // Saves until now lie before the count of seconds: as far as they lie before the newest of them.
    await runner.query(
      `INSERT INTO revision_3 SELECT design_id, version, saved_at,
         coalesce(strftime('%s', saved_at), 0) - coalesce((SELECT max(strftime('%s', saved_at)) FROM revision), 0) - 1,
         ? FROM revision WHERE rowid = ?`,
      [packNow(Buffer.from(document)), r],
    );
  }
}

async function moveStudies(runner: QueryRunner): Promise<void> {
  const rows = (await runner.query('SELECT rowid AS r FROM study ORDER BY made_at, rowid')) as {
    r: number;
  }[];
  for (const { r } of rows) {
    const row = firstRow(
      (await runner.query(
        `SELECT CAST(document AS BLOB) AS document, CAST(study AS BLOB) AS study, CAST(nights AS BLOB) AS nights
         FROM study WHERE rowid = ?`,
        [r],
      )) as Row<'document' | 'study' | 'nights'>[],
    );
    const packed = (column: keyof typeof row): Buffer => packNow(Buffer.from(row[column]));
    await runner.query(
      `INSERT INTO study_3 SELECT NULL, id, design_id, made_at, state, scene, ask, done, wanted, trouble, ?, ?
       FROM study WHERE rowid = ?`,
      [packed('document'), packed('study'), r],
    );
    await runner.query('INSERT INTO study_nights SELECT id, 0, ? FROM study WHERE rowid = ?', [
      packed('nights'),
      r,
    ]);
  }
}
