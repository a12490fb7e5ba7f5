import { copyFileSync, existsSync, renameSync, rmSync } from 'node:fs';
import { dirname } from 'node:path';
import { StartError } from '../config.js';
import { Copies, dateOf } from '../keeping/copies.js';
import { checkSound, copyDatabase, sync } from '../keeping/copy-database.js';
import { identify } from '../keeping/identify.js';
import { databaseIn, refuse } from '../keeping/open-database.js';

/**
 * Looks whether a file is a database that can be put in the place of the present one.
 *
 * @throws StartError saying why not
 */
export function checkBackup(file: string): void {
  const identity = identify(file);
  if (identity.is === 'nothing')
    throw new StartError(`There is no database at ${file}. Nothing was changed.`);
  refuse(file, identity);
  try {
    checkSound(file);
  } catch (error) {
    throw new StartError(
      `The backup ${file} cannot be used (${(error as Error).message}). Take an older one. Nothing was changed.`,
    );
  }
}

/**
 * Puts a backup in the place of the database in a folder, which nobody may have open; the present one is copied into
 * `backups` first.
 *
 * @throws StartError, Error of SQLite or of the file system; the database is then as it was
 */
export function putBack(folder: string, backup: string): void {
  checkBackup(backup);
  const file = databaseIn(folder);
  const part = `${file}.part`;
  try {
    copyDatabase(backup, part);
    if (existsSync(file)) {
      const copies = new Copies(folder);
      keepAside(file, copies.next('before-restore', dateOf(new Date())));
      copies.thin('before-restore');
    }
    for (const end of ['-wal', '-shm']) rmSync(`${file}${end}`, { force: true });
    renameSync(part, file);
    sync(dirname(file));
  } finally {
    rmSync(part, { force: true });
  }
}

/** What is there may be damaged, which may be why another one is to take its place: it is then copied as it is. */
function keepAside(file: string, to: string): void {
  try {
    copyDatabase(file, to);
  } catch {
    copyFileSync(file, to);
    if (existsSync(`${file}-wal`)) copyFileSync(`${file}-wal`, `${to}-wal`);
  }
}
