import { kindOf, paramOf } from '../catalog/index.js';
import type { Design } from '../design/index.js';
import { Circuit } from './circuit.js';
import type { Solution } from './solution.js';

/** How one parameter's spread moves the quantity. */
export interface Contribution {
  part: string;
  param: string;
  /** Spread as a fraction. */
  tolerance: number;
  /** The quantity with the parameter at its lower and upper end, the rest nominal. */
  atLow: number;
  atHigh: number;
}

export interface WorstCase {
  nominal: number;
  /** All parameters at the ends that move it furthest down, up. */
  low: number;
  high: number;
  /** Root of the sum of squares of the single changes: the likely spread if they are independent. */
  likely: number;
  /** Largest first. */
  contributions: Contribution[];
}

/** Corners of this many of the largest contributions are all tried, in case they work on each other. */
const fullCorners = 6;

/**
 * Worst case of anything that can be read off a solution: each toleranced parameter alone (sensitivity),
 * then all at the ends their sensitivities point to, then every corner of the six largest.
 *
 * @param quantity undefined where it cannot be told, which leaves that corner out
 * @param prepare sets states or temperature before anything is solved
 */
export function worstCase(
  design: Design,
  quantity: (solution: Solution) => number | undefined,
  prepare: (circuit: Circuit) => void = () => undefined,
): WorstCase | undefined {
  const spreads = design.parts.flatMap((part) =>
    kindOf(part).params.flatMap(({ id, tolerance = 0 }) => {
      const value = tolerance > 0 ? paramOf(part, id) : 0;
      return value !== 0 ? [{ part: part.id, param: id, tolerance, value }] : [];
    }),
  );
  /** Solves with each spread at −1, 0 or +1 of its tolerance, always from nothing. */
  const at = (ends: readonly number[]): number | undefined => {
    const circuit = new Circuit(design);
    prepare(circuit);
    spreads.forEach(({ part, param, tolerance, value }, i) => {
      const end = ends[i] ?? 0;
      if (end !== 0) circuit.setParams(part, { [param]: value * (1 + end * tolerance) });
    });
    return quantity(circuit.solve());
  };
  const none = spreads.map(() => 0);
  const nominal = at(none);
  if (nominal === undefined) return undefined;
  const contributions = spreads.map(({ part, param, tolerance }, i) => {
    const alone = (end: number): number => at(none.with(i, end)) ?? nominal;
    return { part, param, tolerance, atLow: alone(-1), atHigh: alone(1) };
  });
  const size = (c: Contribution): number =>
    Math.max(Math.abs(c.atLow - nominal), Math.abs(c.atHigh - nominal));
  const sorted = contributions
    .map((of, i) => ({ of, i, size: size(of) }))
    .sort((a, b) => b.size - a.size);
  const order = sorted.map(({ i }) => i);
  const upwards = contributions.map((c) => (c.atHigh >= c.atLow ? 1 : -1));
  const reached = corners(upwards, order.slice(0, fullCorners)).flatMap((ends) => at(ends) ?? []);
  const all = [nominal, ...reached, ...contributions.flatMap((c) => [c.atLow, c.atHigh])];
  return {
    nominal,
    low: Math.min(...all),
    high: Math.max(...all),
    likely: Math.hypot(...contributions.map((c) => (c.atHigh - c.atLow) / 2)),
    contributions: sorted.filter((c) => c.size > 0).map(({ of }) => of),
  };
}

/** All signs of the chosen ones, with the rest pointing up, and the same with the rest pointing down. */
function corners(upwards: readonly number[], chosen: readonly number[]): number[][] {
  const rest = [upwards.slice(), upwards.map((u) => -u)];
  return rest.flatMap((base) =>
    Array.from({ length: 2 ** chosen.length }, (_, bits) => {
      const ends = base.slice();
      chosen.forEach((place, b) => (ends[place] = (bits >> b) & 1 ? 1 : -1));
      return ends;
    }),
  );
}
