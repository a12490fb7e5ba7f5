import 'reflect-metadata';
import { existsSync, rmSync } from 'node:fs';
import { access, constants, mkdir } from 'node:fs/promises';
import { basename, join } from 'node:path';
import { StartError } from '../config.js';
import { connect, rawOf } from './connection.js';
import { Copies, dateOf } from './copies.js';
import { checkSound, copyDatabase } from './copy-database.js';
import { Database } from './database.js';
import { identify, type Identity } from './identify.js';
import { schemaVersion } from './migrations/index.js';
import { asTrouble, StoreTrouble } from './trouble.js';

/** The database of a data folder. */
export const databaseIn = (folder: string): string => join(folder, 'yurei.sqlite');

/**
 * Opens the database in a folder, making it where it is missing, and brings it up to date; before that a copy of it
 * is made.
 *
 * @returns the open database, and whether it was made just now
 * @throws StartError in one line; the file is then as it was
 */
export async function openDatabase(
  folder: string,
): Promise<{ database: Database; fresh: boolean }> {
  const file = databaseIn(folder);
  const identity = identify(file);
  refuse(file, identity);
  if (identity.is === 'ours') await bringUp(folder, file, identity.schema);
  if (identity.is === 'nothing') await make(file);
  try {
    return { database: await Database.open(file), fresh: identity.is === 'nothing' };
  } catch (error) {
    throw new StartError(
      `The database ${file} could not be opened (${reasonOf(error)}). ${cureOf(error)} It was left as it was.`,
    );
  }
}

/** @throws StartError when the folder cannot be made or written */
export async function ensureFolder(folder: string): Promise<void> {
  try {
    // Not recursive: a folder whose parent is missing is more likely a slip than a wish.
    if (!existsSync(folder)) await mkdir(folder);
    await access(folder, constants.W_OK);
  } catch (error) {
    const code = (error as NodeJS.ErrnoException).code ?? String(error);
    const cure =
      code === 'ENOSPC'
        ? 'The disk is full: make room, then start again.'
        : 'Make it writable, or set YUREI_DATA to another folder.';
    throw new StartError(`The data folder ${folder} cannot be written (${code}). ${cure}`);
  }
}

/** @throws StartError for a file that is not to be opened */
export function refuse(file: string, identity: Identity): void {
  const advice: Partial<Record<Identity['is'], string>> = {
    newer:
      'was written by a newer version of this program. Update the program; copies from before the change lie in the folder backups beside it',
    foreign:
      'is a database of another program. Set YUREI_DATA to another folder, or move that file away',
    damaged: `cannot be used (${'reason' in identity ? identity.reason : ''}). Put the newest copy from the folder backups in its place with "yurei restore", or move it away`,
  };
  const reason = advice[identity.is];
  if (reason) throw new StartError(`The database ${file} ${reason}. It was left untouched.`);
}

async function make(file: string): Promise<void> {
  try {
    await migrate(file);
  } catch (error) {
    for (const end of ['', '-wal', '-shm']) rmSync(`${file}${end}`, { force: true });
    throw new StartError(
      `The database ${file} could not be made (${reasonOf(error)}). ${cureOf(error)} Nothing was left behind.`,
    );
  }
}

async function bringUp(folder: string, file: string, schema: number): Promise<void> {
  try {
    checkSound(file);
  } catch (error) {
    refuse(file, { is: 'damaged', reason: reasonOf(error) });
  }
  if (schema === schemaVersion) return;
  const copies = new Copies(folder);
  let copy = '';
  try {
    copy = copies.next('before-migration', dateOf(new Date()));
    copyDatabase(file, copy);
  } catch (error) {
    throw new StartError(
      `The database ${file} is to be brought up to date, and no copy of it could be made before (${reasonOf(error)}). ${cureOf(error)} It was left as it was.`,
    );
  }
  try {
    await migrate(file);
  } catch (error) {
    throw new StartError(
      `The database ${file} could not be brought up to date (${reasonOf(error)}). ${cureOf(error)} It is as it was; backups/${basename(copy)} is a copy of it.`,
    );
  }
  copies.thin('before-migration');
}

async function migrate(file: string): Promise<void> {
  const source = await connect(file, { making: true });
  try {
    await source.runMigrations({ transaction: 'all' });
    giveBack(rawOf(source));
  } finally {
    await source.destroy();
  }
}

/** Lets the file shrink when something is removed; a file made before this was possible is written anew once. */
function giveBack(raw: ReturnType<typeof rawOf>): void {
  if (Object.values(raw.pragma('auto_vacuum')[0] ?? {})[0] === 2) return;
  try {
    raw.exec('VACUUM');
  } catch (error) {
    // It is larger than need be, and whole.
    if (!(asTrouble(error) instanceof StoreTrouble)) throw error;
  }
}

function cureOf(error: unknown): string {
  const trouble = asTrouble(error);
  const kind = trouble instanceof StoreTrouble ? trouble.kind : undefined;
  if (kind === 'full' || (error as NodeJS.ErrnoException).code === 'ENOSPC')
    return 'The disk is full: make room, then start again.';
  if (kind === 'busy') return 'Another program is writing to it: stop that, then start again.';
  // Where its own small files cannot grow, SQLite does not tell a full disk from a failing one.
  if (kind === 'failing')
    return 'The disk could not be read or written: it is full, or it fails. Make room, look at it, then start again.';
  return 'Use the version of the program that you had before.';
}

const reasonOf = (error: unknown): string =>
  error instanceof Error ? (error.message.split('\n')[0] ?? '') : String(error);
