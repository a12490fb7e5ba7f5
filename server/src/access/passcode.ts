import { randomBytes, scrypt, timingSafeEqual } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { open, rename } from 'node:fs/promises';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { StartError } from '../config.js';

/** Fewer characters are guessed too soon. */
export const shortestPasscode = 8;
export const longestPasscode = 200;

const derive = promisify<
  string,
  Buffer,
  number,
  { N: number; r: number; p: number; maxmem: number },
  Buffer
>(scrypt);
/** Cost of scrypt (RFC 7914), as OWASP's Password Storage Cheat Sheet advises: 128 MB, one after the other. */
const cost = { N: 2 ** 17, r: 8, p: 1, maxmem: 2 ** 28 };
const length = 32;

interface Kept {
  salt: string;
  hash: string;
}

const fileIn = (folder: string): string => join(folder, 'passcode.json');

export const hasPasscode = (folder: string): boolean => existsSync(fileIn(folder));

/**
 * Keeps the hash of a passcode in the data folder.
 *
 * @throws StartError when it is too short or too long
 */
export async function setPasscode(folder: string, passcode: string): Promise<void> {
  const { length: given } = [...passcode];
  if (given < shortestPasscode || given > longestPasscode)
    throw new StartError(
      `The passcode has ${given} characters. Give ${shortestPasscode} to ${longestPasscode}. Nothing was changed.`,
    );
  const salt = randomBytes(16);
  const hash = await derive(passcode, salt, length, cost);
  const kept: Kept = { salt: salt.toString('base64'), hash: hash.toString('base64') };
  const part = `${fileIn(folder)}.part`;
  const file = await open(part, 'w', 0o600);
  await file.writeFile(JSON.stringify(kept));
  await file.sync();
  await file.close();
  await rename(part, fileIn(folder));
}

/**
 * Reads the hash that is kept.
 *
 * @returns a check of passcodes against it; they are checked one after the other, as each takes memory
 * @throws StartError when it makes no sense
 */
export function readPasscode(folder: string): (passcode: string) => Promise<boolean> {
  const { salt, hash } = keptIn(folder);
  let last: Promise<unknown> = Promise.resolve();
  return (passcode) => {
    const turn = last.then(async () =>
      timingSafeEqual(await derive(passcode, salt, length, cost), hash),
    );
    last = turn.catch(() => undefined);
    return turn;
  };
}

function keptIn(folder: string): Record<keyof Kept, Buffer> {
  try {
    const kept = JSON.parse(readFileSync(fileIn(folder), 'utf8')) as Kept;
    const [salt, hash] = [Buffer.from(kept.salt, 'base64'), Buffer.from(kept.hash, 'base64')];
    if (salt.length > 0 && hash.length === length) return { salt, hash };
  } catch {
    // Told below.
  }
  throw new StartError(
    `The passcode in ${folder} cannot be read. Set it anew with "npx yurei passcode".`,
  );
}
