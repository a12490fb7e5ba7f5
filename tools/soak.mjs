import { build, isBuilt } from './build.mjs';
import { ensureCompiler } from './install.mjs';
import { local, run } from './run.mjs';

/** The long form of the tests of docs/reliability.md, for a night: 1,000 kills, 10,000 resets, 100,000 requests. */
if (!(await ensureCompiler())) process.exit(1);
if (!(await isBuilt()) && !(await build())) process.exit(1);
process.exitCode = await run(
  local('jest'),
  ['server/src/reliability', '--runInBand', '--testTimeout', '14400000', ...process.argv.slice(2)],
  { env: { YUREI_SOAK: '1' } },
);
