import { closeSync, fsyncSync, openSync, renameSync, rmSync } from 'node:fs';
import { dirname } from 'node:path';
import { addressOf, openRaw, openUntouched } from './raw-database.js';

/** How long a copy waits for who is writing, ms. */
const busyTimeout = 2000;

/**
 * Copies a database, which may be in use, as it is at one moment (VACUUM INTO). The copy has its name only once it is
 * whole and on the disk.
 *
 * @throws Error with SQLite's code, or of the file system; no copy is left then
 */
export function copyDatabase(from: string, to: string): void {
  const part = `${to}.part`;
  rmSync(part, { force: true });
  try {
    const raw = openRaw(from, busyTimeout);
    try {
      raw.prepare('VACUUM INTO ?').run(addressOf(part));
    } finally {
      raw.close();
    }
    checkSound(part);
    sync(part);
    renameSync(part, to);
    sync(dirname(to));
  } catch (error) {
    rmSync(part, { force: true });
    throw error;
  }
}

/** @throws Error saying what is damaged */
export function checkSound(file: string): void {
  const raw = openUntouched(file);
  try {
    const [row] = raw.pragma('quick_check(1)') as Record<string, string>[];
    const verdict = Object.values(row ?? {})[0];
    if (verdict !== 'ok') throw new Error(`damaged: ${String(verdict).replace(/\s+/g, ' ')}`);
  } finally {
    raw.close();
  }
}

/** Waits until a file, or the names in a folder, are on the disk. */
export function sync(path: string): void {
  const file = openSync(path, 'r');
  try {
    fsyncSync(file);
  } finally {
    closeSync(file);
  }
}
