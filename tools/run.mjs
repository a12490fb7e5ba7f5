import { spawn } from 'node:child_process';
import { dirname, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';

/** The workspace root. */
export const root = resolve(dirname(fileURLToPath(import.meta.url)), '..');

/**
 * Runs a program in the workspace and waits for it.
 *
 * @returns its exit code; output is passed on unless `quiet`, and shown then only on failure
 */
export function run(command, args, { cwd = root, quiet = false, env = {} } = {}) {
  return new Promise((done) => {
    const child = spawn(command, args, {
      cwd,
      env: { ...process.env, ...env },
      stdio: quiet ? ['ignore', 'pipe', 'pipe'] : 'inherit',
    });
    let output = '';
    child.stdout?.on('data', (chunk) => (output += chunk));
    child.stderr?.on('data', (chunk) => (output += chunk));
    child.on('error', (error) => done(fail(`${command}: ${error.message}\n`)));
    child.on('close', (code) => done(code === 0 ? 0 : fail(output, code ?? 1)));
  });
}

function fail(output, code = 1) {
  process.stderr.write(output);
  return code;
}

/** The path of a program that the workspace has installed. */
export const local = (name) => resolve(root, 'node_modules/.bin', name);
