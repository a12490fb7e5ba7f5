const { build } = require('esbuild');
const { existsSync, mkdirSync, readdirSync, writeFileSync } = require('node:fs');
const { resolve } = require('node:path');

const core = resolve(__dirname, '../core');
const folder = resolve(__dirname, '../node_modules/.cache/core-bundle');

/**
 * Before the tests of the web app: the core's sources as one file, and a door to it for each of their folders. Each test file loads
 * the core anew, and of its hundreds of files that takes longer than most tests.
 */
module.exports = async () => {
  const names = readdirSync(resolve(core, 'src')).filter((name) =>
    existsSync(resolve(core, 'src', name, 'index.ts')),
  );
  const contents = names.map((name, i) => `export * as part${i} from './src/${name}/index.ts';`);
  mkdirSync(folder, { recursive: true });
  await build({
    stdin: { contents: contents.join('\n'), resolveDir: core, loader: 'ts' },
    outfile: resolve(folder, 'core.cjs'),
    bundle: true,
    packages: 'external',
    format: 'cjs',
    platform: 'node',
    target: 'es2022',
    sourcemap: 'inline',
  });
  names.forEach((name, i) =>
    writeFileSync(
      resolve(folder, `${name}.cjs`),
      `module.exports = require('./core.cjs').part${i};\n`,
    ),
  );
};
