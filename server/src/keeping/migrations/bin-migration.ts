import type { MigrationInterface, QueryRunner } from 'typeorm';
import { factsOf } from '../design-facts.js';
import { firstRow } from '../first-row.js';

type Row = Record<'document', ArrayBuffer>;

/** A bin for what is removed, examples told apart, when a design was opened, and what it is made of for the shelf's filters. */
export class BinMigration1764300000000 implements MigrationInterface {
  name = 'BinMigration1764300000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const column of [
      "removed_at TEXT NOT NULL DEFAULT ''",
      'example INTEGER NOT NULL DEFAULT 0',
      "opened_at TEXT NOT NULL DEFAULT ''",
      "makeup TEXT NOT NULL DEFAULT ''",
    ])
      await runner.query(`ALTER TABLE design ADD COLUMN ${column}`);
    const rows = (await runner.query('SELECT rowid AS r FROM design')) as { r: number }[];
    for (const { r } of rows) {
      const sql = 'SELECT CAST(document AS BLOB) AS document FROM design WHERE rowid = ?';
      const { document } = firstRow((await runner.query(sql, [r])) as Row[]);
      const facts = factsOf(new Uint8Array(document));
      if (facts)
        await runner.query('UPDATE design SET makeup = ? WHERE rowid = ?', [facts.makeup, r]);
    }
    await runner.query('PRAGMA user_version = 4');
  }

  async down(): Promise<void> {
    throw new Error('There is no way back: put the copy that was made before in its place.');
  }
}
