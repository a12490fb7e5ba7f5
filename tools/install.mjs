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
export async function ensureBrowser() {
  if (existsSync('/usr/bin/chromium') && existsSync('/usr/bin/chromedriver')) return true;
  console.log('Installing Chromium and its driver…');
  const env = { DEBIAN_FRONTEND: 'noninteractive' };
  const packages = ['--no-install-recommends', 'chromium', 'chromium-driver'];
  const done =
    (await run('apt-get', ['update', '-qq'], { quiet: true, env })) === 0 &&
    (await run('apt-get', ['install', '-y', '-qq', ...packages], { quiet: true, env })) === 0;
  if (!done)
    console.error(
      'Chromium could not be installed. Install the Debian packages chromium and chromium-driver, then try again.',
    );
  return done;
}
