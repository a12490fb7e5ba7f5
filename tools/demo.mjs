import { spawn } from 'node:child_process';
import { resolve } from 'node:path';
import { ensurePackages } from './install.mjs';
import { root } from './run.mjs';

/** Installs and builds what is missing, then starts the server with the demo designs. */
if (!(await ensurePackages())) process.exit(1);
const { build, isBuilt } = await import('./build.mjs');
if (!(await isBuilt())) {
  console.log('Building…');
  if (!(await build())) process.exit(1);
}
const server = spawn(process.execPath, [resolve(root, 'server/dist/main.js'), '--demo'], {
  cwd: root,
  stdio: 'inherit',
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 1));
