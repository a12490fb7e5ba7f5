import { local, run } from './run.mjs';

/** Writes how large and how fast the programs of the demo designs are on the chip into docs/firmware.md. */
const measured = await run(local('jest'), ['core/src/firmware/chip', '-t', 'demo designs'], {
  env: { YUREI_WRITE: 'yes' },
});
process.exitCode =
  measured ||
  (await run(local('prettier'), ['--write', 'docs/firmware.md', '--log-level', 'warn']));
