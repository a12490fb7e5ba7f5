import type { Numbers, Param, Params, Value, ValuesOf } from './part-kind.js';

/** Values as a document has them, with defaults filled in. */
export const numbersOf = (params: readonly Param[], own: Numbers): Numbers => ({
  ...Object.fromEntries(params.map((param) => [param.id, param.default])),
  ...own,
});

/**
 * All values as a kind sees them: defaults filled in, choices as their words.
 *
 * @param own as a document has them, or words already
 */
export function valuesOf<const P extends readonly Param[]>(
  params: P,
  own: Partial<Params> | Partial<ValuesOf<P>>,
): ValuesOf<P>;
export function valuesOf(params: readonly Param[], own: Readonly<Record<string, unknown>>): Params {
  return Object.fromEntries(params.map((param) => [param.id, wordOf(param, own[param.id])]));
}

/** The word of a choice; any other value as it is, the usual one where there is none. */
function wordOf({ choices, default: usual }: Param, own: unknown): Value {
  const value = typeof own === 'number' || typeof own === 'string' ? own : usual;
  return typeof value === 'number' ? (choices?.[value] ?? value) : value;
}

/** The other way round: values as a document has them. */
export const storedOf = (
  params: readonly Param[],
  values: Partial<Params>,
): Record<string, number> =>
  Object.fromEntries(
    params.flatMap(({ id, choices }) => {
      const value = values[id];
      const stored = typeof value === 'string' ? choices?.indexOf(value) : value;
      return stored === undefined ? [] : [[id, stored]];
    }),
  );
