import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { setPasscode } from '../access/passcode.js';
import { readConfig, StartError } from '../config.js';
import { copyDatabase } from '../keeping/copy-database.js';
import { FolderLock } from '../keeping/folder-lock.js';
import { identify } from '../keeping/identify.js';
import { databaseIn, ensureFolder, openDatabase, refuse } from '../keeping/open-database.js';
import { asTrouble, StoreTrouble } from '../keeping/trouble.js';
import { BadArchive, designOf, manifestOf } from './read-archive.js';
import { checkBackup, putBack } from './restore.js';
import { takeIn } from './take-in.js';
import { writeArchive } from './write-archive.js';

export { StartError } from '../config.js';

/** The data folder that the server uses, unless another one is named. */
export const dataFolder = (named?: string): string =>
  named === undefined
    ? readConfig(process.env, resolve(import.meta.dirname, '../../..')).data
    : resolve(named);

/**
 * Copies the database into a file; a server may be running on it.
 *
 * @returns what was done, in one line
 * @throws StartError in one line; so do all of these
 */
export function backUp(folder: string, file: string): string {
  const from = standing(folder);
  vacant(file);
  attempt(`The backup ${file} could not be written`, () => copyDatabase(from, file));
  return `${file} holds everything on the shelf as it is now.`;
}

/** Puts a backup in the place of the database; no server may be running on it. */
export async function restore(folder: string, file: string): Promise<string> {
  checkBackup(file);
  await ensureFolder(folder);
  return locked(folder, () => {
    attempt(`The backup ${file} could not be put in place`, () => putBack(folder, file));
    return `${file} is in place. What was there before lies in ${join(folder, 'backups')}.`;
  });
}

/** Writes designs, their saves and studies into an open file; a server may be running. */
export async function exportAll(folder: string, file: string): Promise<string> {
  const from = standing(folder);
  vacant(file);
  let place = '';
  attempt(`The archive ${file} could not be written`, () => {
    place = mkdtempSync(join(dirname(resolve(file)), '.yurei-'));
  });
  try {
    // Of a copy, brought up to date where the shelf was made by an older version: the shelf itself is only read.
    attempt(`The archive ${file} could not be written`, () =>
      copyDatabase(from, databaseIn(place)),
    );
    await (await openDatabase(place)).database.close();
    let designs = 0;
    attempt(`The archive ${file} could not be written`, () => {
      designs = writeArchive(databaseIn(place), file);
    });
    return `${file} holds ${designs} designs with their saves and studies.`;
  } finally {
    rmSync(place, { recursive: true, force: true });
  }
}

/** Puts the designs of an archive on the shelf beside those that are there; no server may be running. */
export async function importAll(folder: string, file: string): Promise<string> {
  if (!existsSync(file)) throw new StartError(`There is no file ${file}. Nothing was changed.`);
  await ensureFolder(folder);
  return locked(folder, async () => {
    const { database } = await openDatabase(folder);
    try {
      const archive = readFileSync(file);
      const { designs } = manifestOf(archive);
      let fresh = 0;
      for (const about of designs) if (await takeIn(database, designOf(archive, about))) fresh += 1;
      return `${fresh} designs brought in; ${designs.length - fresh} were there already.`;
    } catch (error) {
      if (error instanceof BadArchive)
        throw new StartError(`The archive ${file} cannot be used. ${error.message}`);
      throw told(`The archive ${file} could not be brought in`, error);
    } finally {
      await database.close();
    }
  });
}

/** Sets the passcode without which a server does not open to a network. */
export async function passcode(folder: string, text: string): Promise<string> {
  await ensureFolder(folder);
  await setPasscode(folder, text);
  return `The passcode is set. A server that is running asks for it once it was started again.`;
}

function standing(folder: string): string {
  const file = databaseIn(folder);
  const identity = identify(file);
  if (identity.is === 'nothing')
    throw new StartError(
      `There is no shelf in ${folder}. Name its folder with --data or YUREI_DATA.`,
    );
  refuse(file, identity);
  return file;
}

function vacant(file: string): void {
  if (existsSync(file))
    throw new StartError(
      `${file} is there already. Give another name, or remove it first. Nothing was changed.`,
    );
}

async function locked<T>(folder: string, work: () => T | Promise<T>): Promise<T> {
  const lock = FolderLock.take(folder);
  try {
    lock.sign('');
    return await work();
  } finally {
    lock.release();
  }
}

function attempt(what: string, work: () => unknown): void {
  try {
    work();
  } catch (error) {
    throw told(what, error);
  }
}

function told(what: string, error: unknown): StartError {
  if (error instanceof StartError) return error;
  const trouble = asTrouble(error);
  const full =
    (trouble instanceof StoreTrouble && trouble.kind === 'full') ||
    (error as NodeJS.ErrnoException).code === 'ENOSPC';
  const reason = error instanceof Error ? error.message.split('\n')[0] : String(error);
  return new StartError(
    `${what} (${reason}). ${full ? 'Make room on the disk' : 'Look at the disk'}, then try again.`,
  );
}
