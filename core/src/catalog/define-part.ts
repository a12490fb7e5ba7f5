import type { Limit } from './limit.js';
import { ratingOf } from './limit.js';
import type { Param, PartKind, Terminal, ValuesOf } from './part-kind.js';

/** A kind of part as its file writes it down: functions see parameters and terminals by the names declared there. */
export type PartSpec<
  P extends readonly Param[],
  T extends readonly Terminal[],
  S extends string,
> = Omit<
  PartKind<ValuesOf<P>, T[number]['id'] | S>,
  'params' | 'terminals' | 'stateNodes' | 'ratings'
> & {
  params: P;
  terminals: T;
  stateNodes?: readonly S[];
  ratings: readonly Limit<ValuesOf<P>, T[number]['id'] | S>[];
};

/** A kind of part whose names are known to whoever builds on it. */
export type DefinedPart<P extends readonly Param[], T extends readonly Terminal[]> = PartKind & {
  readonly params: P;
  readonly terminals: T;
};

/**
 * Declares a kind of part. What its functions are given is inferred from its parameters (`p.ohms`, a choice as its
 * word), terminals and state nodes (`across(part, "a", "b")`): a name that is not declared does not compile.
 */
export function definePart<
  const P extends readonly Param[],
  const T extends readonly Terminal[],
  const S extends string = never,
>(spec: PartSpec<P, T, S>): DefinedPart<P, T>;
export function definePart(
  spec: Omit<PartKind, 'ratings'> & { ratings: readonly Limit[] },
): PartKind {
  return { ...spec, ratings: spec.ratings.map(ratingOf) };
}
