import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Designs and their revisions. */
export class FirstMigration1732406400000 implements MigrationInterface {
  name = 'FirstMigration1732406400000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE design (
      id TEXT PRIMARY KEY,
      title TEXT NOT NULL,
      version INTEGER NOT NULL,
      document TEXT NOT NULL,
      created_at TEXT NOT NULL,
      saved_at TEXT NOT NULL
    )`);
    await runner.query(`CREATE TABLE revision (
      design_id TEXT NOT NULL REFERENCES design (id) ON DELETE CASCADE,
      version INTEGER NOT NULL,
      document TEXT NOT NULL,
      saved_at TEXT NOT NULL,
      PRIMARY KEY (design_id, version)
    )`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE revision');
    await runner.query('DROP TABLE design');
  }
}
