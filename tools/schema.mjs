import { readFileSync, writeFileSync } from 'node:fs';
import { resolve } from 'node:path';
import { createGenerator } from 'ts-json-schema-generator';
import { root } from './run.mjs';

/** Writes docs/yurei-design.schema.json (JSON Schema 2020-12) from the types; --check only compares. */
const schema = createGenerator({
  path: resolve(root, 'core/src/design/types.ts'),
  tsconfig: resolve(root, 'core/tsconfig.json'),
  type: 'Design',
  additionalProperties: false,
  skipTypeCheck: true,
}).createSchema('Design');

const text = JSON.stringify(schema)
  .replaceAll('"definitions":', '"$defs":')
  .replaceAll('#/definitions/', '#/$defs/');
const published = {
  ...JSON.parse(text),
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  title: 'Yurei design, version 1',
};
const file = resolve(root, 'docs/yurei-design.schema.json');
const wanted = `${JSON.stringify(published, null, 2)}\n`;
if (!process.argv.includes('--check')) writeFileSync(file, wanted);
else if (readFileSync(file, 'utf8') !== wanted) {
  console.error(`${file} is not what the types say. Run "npm run schema".`);
  process.exitCode = 1;
}
