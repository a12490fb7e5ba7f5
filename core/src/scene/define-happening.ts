import type { Param, ValuesOf } from '../catalog/index.js';
import type { HappeningKind } from './happening-kind.js';

/** A kind of happening whose parameters are known to whoever builds on it. */
export type DefinedHappening<P extends readonly Param[]> = HappeningKind & { readonly params: P };

/** Declares a kind of happening. What its functions are given is inferred from its parameters: `params.speed`. */
export function defineHappening<const P extends readonly Param[]>(
  kind: Omit<HappeningKind<ValuesOf<P>>, 'params'> & { params: P },
): DefinedHappening<P>;
export function defineHappening(kind: HappeningKind): HappeningKind {
  return kind;
}
