import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { resolve } from 'node:path';
import { root } from './run.mjs';

/** Writes a generated file, or with --check says when the one there is not what it would be. */
export function keepWritten(name, text, command) {
  const file = resolve(root, name);
  if (!process.argv.includes('--check')) writeFileSync(file, text);
  else if (!existsSync(file) || readFileSync(file, 'utf8') !== text) {
    console.error(`${file} is out of date. Run "${command}".`);
    process.exitCode = 1;
  }
}
