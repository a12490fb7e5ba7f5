import { build, isBuilt } from './build.mjs';
import { root, run } from './run.mjs';

if (!(await isBuilt()) && !(await build())) process.exit(1);
process.exitCode = await run(
  process.execPath,
  ['e2e/dist/screenshots.js', ...process.argv.slice(2)],
  { cwd: root },
);
