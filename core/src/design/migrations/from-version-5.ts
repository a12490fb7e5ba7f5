import type { Migration } from '../migrate.js';

type Fields = Record<string, unknown>;
const isFields = (value: unknown): value is Fields =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** Parameters that changed nothing, by kind. */
const gone: Readonly<Record<string, readonly string[]>> = {
  'real-time-clock': ['drift'],
  'valve-12v': ['rest'],
  'magnetic-lock': ['force'],
  'radio-link': ['megahertz', 'power'],
};

/** Version 6 has no parameters that change nothing. */
export const fromVersion5: Migration = (document) => ({
  ...document,
  parts: Array.isArray(document['parts']) ? document['parts'].map(without) : document['parts'],
});

function without(part: unknown): unknown {
  if (!isFields(part) || !isFields(part['params'])) return part;
  const { kind, params } = part;
  const names = (Object.hasOwn(gone, String(kind)) && gone[String(kind)]) || [];
  const left = Object.entries(params as Fields).filter(([name]) => !names.includes(name));
  return { ...part, params: Object.fromEntries(left) };
}
