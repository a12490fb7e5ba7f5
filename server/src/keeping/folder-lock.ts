import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { StartError } from '../config.js';
import { openRaw, type RawDatabase } from './raw-database.js';

/** Who uses a folder. */
export interface Holder {
  pid: number;
  /** Where it listens; empty for a command. */
  address: string;
  /** ISO 8601, UTC. */
  since: string;
}

/**
 * The right to use a data folder, which one program at a time has. It is a lock of the operating system on a file, taken
 * through SQLite: however the program ends, it is free again. Nothing else may open that file: closing it would free it.
 */
export class FolderLock {
  private constructor(
    private readonly raw: RawDatabase,
    private readonly note: string,
  ) {}

  /** @throws StartError saying who has the folder; nothing was changed then */
  static take(folder: string): FolderLock {
    const raw = openRaw(join(folder, 'yurei.lock'));
    try {
      raw.exec('BEGIN EXCLUSIVE');
    } catch {
      raw.close();
      throw inUse(folder);
    }
    return new FolderLock(raw, join(folder, 'yurei.lock.json'));
  }

  /** Whether someone has a folder; looks without making anything. */
  static isTaken(folder: string): boolean {
    if (!existsSync(join(folder, 'yurei.lock'))) return false;
    try {
      FolderLock.take(folder).release();
      return false;
    } catch (error) {
      if (error instanceof StartError) return true;
      throw error;
    }
  }

  /** Writes down who has it, for others to tell. */
  sign(address: string): void {
    const holder: Holder = { pid: process.pid, address, since: new Date().toISOString() };
    try {
      writeFileSync(this.note, JSON.stringify(holder));
    } catch {
      // It is only a courtesy: the lock holds without it.
    }
  }

  release(): void {
    this.raw.exec('ROLLBACK');
    this.raw.close();
  }
}

/** Says who has a folder, as well as it is known. */
export function inUse(folder: string): StartError {
  const { pid, address, since } = holderOf(folder);
  const who = pid ? `process ${pid}${address ? ` at ${address}` : ''}, since ${since}` : 'unknown';
  const cure = address
    ? `Open ${address} instead, or stop it first, or set YUREI_DATA to another folder.`
    : 'Wait until it is done, or set YUREI_DATA to another folder.';
  return new StartError(
    `The data folder ${folder} is in use by another Yurei (${who}). ${cure} Nothing was changed.`,
  );
}

function holderOf(folder: string): Partial<Holder> {
  try {
    return JSON.parse(readFileSync(join(folder, 'yurei.lock.json'), 'utf8')) as Partial<Holder>;
  } catch {
    return {};
  }
}
