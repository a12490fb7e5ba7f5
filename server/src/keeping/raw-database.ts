import { existsSync, statSync } from 'node:fs';
import libsql from 'libsql';

/** A connection of the driver, without the mapper. */
export type RawDatabase = InstanceType<typeof libsql>;

/**
 * The address of a database file for the driver. It names the operating system's own files: those that the driver takes
 * by itself (for encryption) read zeros where the disk cannot be read, and say nothing.
 */
export function addressOf(file: string, ...more: string[]): string {
  const path = file.split('/').map(encodeURIComponent).join('/');
  const files = process.platform === 'win32' ? 'win32' : 'unix';
  return `file:${path}?${[`vfs=${files}`, ...more].join('&')}`;
}

/** Opens a database to read and write it, and waits for others for so long, ms. */
export const openRaw = (file: string, timeout = 0): RawDatabase =>
  new libsql(addressOf(file), { timeout });

/** Opens a database only to be read. Where no log lies beside it, not even that is made. */
export function openUntouched(file: string): RawDatabase {
  const log = `${file}-wal`;
  const logged = existsSync(log) && statSync(log).size > 0;
  return new libsql(addressOf(file, logged ? 'mode=ro' : 'immutable=1'));
}

/** The driver for the mapper, which knows files by their path. */
export class DriverByPath extends libsql {
  constructor(file: string, options?: ConstructorParameters<typeof libsql>[1]) {
    super(addressOf(file), options);
  }
}
