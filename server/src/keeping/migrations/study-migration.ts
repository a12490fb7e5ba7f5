import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Studies of many nights. */
export class StudyMigration1764100000000 implements MigrationInterface {
  name = 'StudyMigration1764100000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE study (
      id TEXT PRIMARY KEY,
      design_id TEXT NOT NULL REFERENCES design (id) ON DELETE CASCADE,
      made_at TEXT NOT NULL,
      state TEXT NOT NULL,
      scene TEXT NOT NULL,
      ask TEXT NOT NULL,
      done INTEGER NOT NULL,
      wanted INTEGER NOT NULL,
      trouble TEXT NOT NULL,
      document TEXT NOT NULL,
      study TEXT NOT NULL,
      nights TEXT NOT NULL
    )`);
    await runner.query('CREATE INDEX study_of_design ON study (design_id, made_at)');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE study');
  }
}
