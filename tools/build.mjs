import { existsSync, statSync } from 'node:fs';
import { copyFile, mkdir, readdir } from 'node:fs/promises';
import { join, resolve } from 'node:path';
import { pathToFileURL } from 'node:url';
import { local, root, run } from './run.mjs';

const sources = ['core', 'cli', 'server', 'web', 'e2e'];

/** Builds core, command line, server and web app; false when any of it fails. */
export async function build() {
  await serve('elk', 'elkjs/lib', ['elk-worker.min.js']);
  await serve('micropython', '@micropython/micropython-webassembly-pyscript', [
    'micropython.mjs',
    'micropython.wasm',
  ]);
  if ((await run(local('tsc'), ['-b'])) !== 0) return false;
  const env = { NG_CLI_ANALYTICS: 'false' };
  return (await run(local('ng'), ['build'], { cwd: resolve(root, 'web'), quiet: true, env })) === 0;
}

/** Files of a package that the web app loads as they are. */
async function serve(folder, from, files) {
  const to = resolve(root, 'web/public', folder);
  await mkdir(to, { recursive: true });
  for (const file of files)
    await copyFile(resolve(root, 'node_modules', from, file), resolve(to, file));
}

/** Whether every source is older than what was built from it. */
export async function isBuilt() {
  const outputs = [
    'core/dist/quantity/index.js',
    'cli/dist/main.js',
    'server/dist/main.js',
    'web/dist/web/browser/index.html',
  ];
  if (!outputs.every((f) => existsSync(resolve(root, f)))) return false;
  const built = statSync(resolve(root, outputs[3])).mtimeMs;
  const newest = await Promise.all(sources.map((s) => newestIn(resolve(root, s, 'src'))));
  return Math.max(...newest) < built;
}

async function newestIn(folder) {
  const entries = await readdir(folder, { recursive: true, withFileTypes: true });
  const files = entries.filter((e) => e.isFile() && !e.name.endsWith('.spec.ts'));
  return Math.max(0, ...files.map((e) => statSync(join(e.parentPath, e.name)).mtimeMs));
}

if (import.meta.url === pathToFileURL(process.argv[1]).href) {
  process.exitCode = (await build()) ? 0 : 1;
}
