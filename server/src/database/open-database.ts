import 'reflect-metadata';
import { existsSync } from 'node:fs';
import { access, constants, mkdir } from 'node:fs/promises';
import { join } from 'node:path';
import libsql from 'libsql';
import { DataSource } from 'typeorm';
import { StartError } from '../config.js';
import { designRecord } from './design-record.js';
import { FirstMigration1732406400000 } from './first-migration.js';
import { revisionRecord } from './revision-record.js';
import { StudyMigration1764100000000 } from './study-migration.js';
import { studyRecord } from './study-record.js';

/**
 * Opens the database in a folder, making both where they are missing, and brings it up to date.
 *
 * @returns the open database, and whether it was made just now
 * @throws StartError in one line when the folder cannot be written or the file is damaged; the file
 *   is then left as it is
 */
export async function openDatabase(
  folder: string,
): Promise<{ source: DataSource; fresh: boolean }> {
  await ensureWritable(folder);
  const file = join(folder, 'yurei.sqlite');
  const fresh = !existsSync(file);
  const source = new DataSource({
    type: 'better-sqlite3',
    driver: libsql,
    database: file,
    enableWAL: true,
    entities: [designRecord, revisionRecord, studyRecord],
    migrations: [FirstMigration1732406400000, StudyMigration1764100000000],
    logging: false,
  });
  try {
    await source.initialize();
    await ensureSound(source);
    await source.runMigrations({ transaction: 'all' });
  } catch (error) {
    if (source.isInitialized) await source.destroy().catch(() => undefined);
    const reason = error instanceof Error ? error.message.split('\n')[0] : String(error);
    throw new StartError(
      `The database ${file} cannot be used (${reason}). It was left untouched: move it away or put a good copy in its place, then start again.`,
    );
  }
  return { source, fresh };
}

async function ensureWritable(folder: string): Promise<void> {
  try {
    // Not recursive: a folder whose parent is missing is more likely a slip than a wish.
    if (!existsSync(folder)) await mkdir(folder);
    await access(folder, constants.W_OK);
  } catch (error) {
    const code = (error as NodeJS.ErrnoException).code ?? String(error);
    throw new StartError(
      `The data folder ${folder} cannot be written (${code}). Make it writable, or set YUREI_DATA to another folder.`,
    );
  }
}

async function ensureSound(source: DataSource): Promise<void> {
  const rows = (await source.query('PRAGMA quick_check(1)')) as Record<string, string>[];
  const verdict = Object.values(rows[0] ?? {})[0];
  if (verdict !== 'ok') throw new Error(`damaged: ${verdict}`);
}
