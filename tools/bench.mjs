import { build, isBuilt } from './build.mjs';
import { ensureBrowser } from './install.mjs';
import { run } from './run.mjs';

/** Times the core and the picture in the browser, see docs/performance.md, and writes docs/findings-score.md. */
if (!(await ensureBrowser())) process.exit(1);
if (!(await isBuilt()) && !(await build())) process.exit(1);
process.exitCode =
  (await run(process.execPath, ['tools/bench-engine.mjs'])) ||
  (await run(process.execPath, ['tools/bench-in-time.mjs'])) ||
  (await run(process.execPath, ['tools/bench-findings.mjs'])) ||
  (await run(process.execPath, ['tools/bench-plan.mjs'])) ||
  (await run(process.execPath, ['tools/bench-firmware.mjs'])) ||
  (await run(process.execPath, ['tools/bench-server.mjs'])) ||
  (await run(process.execPath, ['e2e/dist/bench.js'])) ||
  (await run(process.execPath, ['tools/findings-score.mjs']));
