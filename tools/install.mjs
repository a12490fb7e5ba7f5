import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { resolve } from 'node:path';
import { root, run } from './run.mjs';

const stamp = resolve(root, 'node_modules/.yurei-lock');

const lockHash = () =>
  createHash('sha256')
    .update(readFileSync(resolve(root, 'package-lock.json')))
    .digest('hex');

/** Installs what the lock file names, unless that very lock file is installed already. */
export async function ensurePackages() {
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lockHash()) return true;
  console.log('Installing packages…');
  if ((await run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'])) !== 0) return false;
  writeFileSync(stamp, lockHash());
  return true;
}

/** Debian's Chromium and its driver, for the browser tests. */
export const ensureBrowser = () =>
  ensure(
    'Chromium and its driver',
    ['/usr/bin/chromium', '/usr/bin/chromedriver'],
    ['chromium', 'chromium-driver'],
  );

/** Compilers: of C for the library with which tests let a disk fail, of C++ for the programs that are written for boards. */
export const ensureCompiler = () =>
  ensure(
    'C and C++ compilers',
    ['/usr/bin/gcc', '/usr/bin/g++', '/usr/include/stdio.h'],
    ['gcc', 'g++', 'libc6-dev'],
  );

/** The compiler of 8-bit controllers and a simulator of their instructions, for the programs that are written for boards. */
export const ensureChip = () =>
  ensure(
    'the compiler of the chip and its simulator',
    [
      '/usr/bin/avr-g++',
      '/usr/lib/avr/include/avr/io.h',
      '/usr/include/simavr/sim_avr.h',
      '/usr/include/libelf.h',
    ],
    ['gcc-avr', 'avr-libc', 'libsimavr-dev', 'libelf-dev'],
  );

/** Python and a linter of it, for the programs that are written for boards. */
export const ensurePython = () =>
  ensure('Python', ['/usr/bin/python3', '/usr/bin/pyflakes3'], ['python3', 'pyflakes3']);

/** CVODE of SUNDIALS and a C compiler: the peer of stiff circuits in the bench. */
export const ensureStiffPeer = () =>
  ensure(
    'SUNDIALS',
    ['/usr/bin/gcc', '/usr/include/cvode/cvode.h'],
    ['gcc', 'libc6-dev', 'libsundials-dev'],
  );

/** Installs Debian's packages where what they bring is missing. */
async function ensure(what, files, packages) {
  if (files.every((file) => existsSync(file))) return true;
  console.log(`Installing ${what}…`);
  const env = { DEBIAN_FRONTEND: 'noninteractive' };
  const install = ['install', '-y', '-qq', '--no-install-recommends', ...packages];
  const done =
    (await run('apt-get', ['update', '-qq'], { quiet: true, env })) === 0 &&
    (await run('apt-get', install, { quiet: true, env })) === 0;
  if (!done)
    console.error(
      `${what} could not be installed. Install the Debian packages ${packages.join(' and ')}, then try again.`,
    );
  return done;
}
