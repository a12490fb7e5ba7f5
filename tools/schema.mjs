import { resolve } from 'node:path';
import { createGenerator } from 'ts-json-schema-generator';
import { root } from './run.mjs';
import { keepWritten } from './written.mjs';

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
const parsed = JSON.parse(text);
const published = {
  ...parsed,
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  title: `Yurei design, version ${parsed.$defs.Design.properties.version.const}`,
};
keepWritten(
  'docs/yurei-design.schema.json',
  `${JSON.stringify(published, null, 2)}\n`,
  'npm run schema',
);
