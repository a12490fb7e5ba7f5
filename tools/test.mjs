import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, relative } from 'node:path';
import {
  ensureBrowser,
  ensureChip,
  ensureCompiler,
  ensurePackages,
  ensurePython,
} from './install.mjs';
import { local, root, run } from './run.mjs';

/**
 * Everything that must hold: lint, types, boundaries, schema beside the build and what it writes, then unit tests, browser
 * tests. Each check counts as one, each test as one; ends with "N passed, N failed".
 */
const counts = { passed: 0, failed: 0 };
const results = mkdtempSync(join(tmpdir(), 'yurei-test-'));

async function check(name, work) {
  const began = Date.now();
  const ok = await work();
  counts[ok ? 'passed' : 'failed'] += 1;
  console.log(
    `${ok ? 'ok    ' : 'FAILED'} ${name} (${((Date.now() - began) / 1000).toFixed(0)} s)`,
  );
  return ok;
}

/** Runs Jest with its own counting taken over. */
async function jest(name, args) {
  const file = join(results, `${name}.json`);
  const code = await run(local('jest'), [...args, '--json', `--outputFile=${file}`], {
    quiet: true,
  });
  try {
    const report = JSON.parse(readFileSync(file, 'utf8'));
    counts.passed += report.numPassedTests;
    counts.failed += report.numFailedTests;
    printTimes(report.testResults);
    const brokenSuites = report.numRuntimeErrorTestSuites;
    return code === 0 && brokenSuites === 0 && report.numTotalTests > 0;
  } catch {
    return false;
  }
}

/** How long each suite took, the slowest first. */
function printTimes(suites) {
  const times = suites.map(({ name, startTime, endTime }) => ({
    name: relative(root, name),
    seconds: (endTime - startTime) / 1000,
  }));
  for (const { name, seconds } of times.sort((a, b) => b.seconds - a.seconds))
    console.log(`       ${seconds.toFixed(1).padStart(6)} s  ${name}`);
}

const program = (name, command, args) =>
  check(name, async () => (await run(local(command), args, { quiet: true })) === 0);
const tool = (name, ...args) =>
  check(name, async () => (await run(process.execPath, args, { quiet: true })) === 0);

/** What needs the sources alone. */
async function sources() {
  await program('lint', 'eslint', ['.']);
  await program('format', 'prettier', ['--check', '.', '--log-level', 'warn']);
  const folders = ['core/src', 'cli/src', 'server/src', 'web/src', 'e2e/src', 'tools'];
  await program('boundaries', 'depcruise', [...folders, '--config', '.dependency-cruiser.cjs']);
  await tool('schema', 'tools/schema.mjs', '--check');
  await tool('indexed access', 'tools/indexed-access.mjs');
}

/** The program, and what is written by it. */
async function made() {
  const { build } = await import('./build.mjs');
  const built = await check('build', build);
  for (const name of built ? ['catalogue', 'findings', 'glossary', 'rehearsals'] : [])
    await tool(name, `tools/${name === 'catalogue' ? 'catalog' : name}.mjs`, '--check');
  return built;
}

if (!(await check('packages', ensurePackages))) finish();
// Two at once: each takes one core.
const [built] = await Promise.all([made(), sources()]);
if (built)
  await Promise.all([
    program('types of tests', 'tsc', ['-p', 'tsconfig.spec.json']),
    program('types of web tests', 'tsc', ['-p', 'web/tsconfig.spec.json']),
  ]);
await check('compiler', ensureCompiler);
await check('Python', ensurePython);
await check('chip', ensureChip);
await check('unit tests', () => jest('unit', []));
if (built && (await check('browser', ensureBrowser))) {
  await check('browser tests', () =>
    jest('browser', ['--config', 'e2e/jest.config.cjs', '--runInBand']),
  );
}
finish();

function finish() {
  rmSync(results, { recursive: true, force: true });
  console.log(`${counts.passed} passed, ${counts.failed} failed`);
  process.exit(counts.failed === 0 ? 0 : 1);
}
