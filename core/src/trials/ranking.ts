import type { Scene } from '../design/index.js';
import { entry } from '../quantity/index.js';
import type { Trial } from './trial.js';

/** How much one thing that varies has to do with what came of a happening. */
export interface Influence {
  /** What varies. */
  what: string;
  happening: string;
  /** Rank correlation with how badly it went, −1 … 1: above 0, more of it is worse. */
  correlation: number;
}

/** Correlations below this many standard errors are taken for chance: one in some two thousand is more. */
const errors = 3.5;
const most = 12;

/**
 * What matters most: Spearman's rank correlation (Am. J. Psychol. 15, 1904) of each thing sampled with how badly each
 * happening went, where that differs at all. For n trials its standard error is 1/√(n − 1) where nothing matters.
 */
export function ranking(trials: readonly Trial[], { happenings }: Scene): Influence[] {
  const [first] = trials;
  if (!first || trials.length < 3) return [];
  const least = errors / Math.sqrt(trials.length - 1);
  const sampled = Object.keys(first.sampled).map((what) => ({
    what,
    ranks: ranks(trials.map((n) => entry(n.sampled, what))),
  }));
  return happenings
    .flatMap(({ id, name }) => {
      const bad = trials.map((n) => badness(n, id));
      if (new Set(bad).size < 2) return [];
      const badRanks = ranks(bad);
      return sampled.map(({ what, ranks: own }): Influence => ({
        what,
        happening: name,
        correlation: correlationOf(own, badRanks),
      }));
    })
    .filter((influence) => Math.abs(influence.correlation) >= least)
    .sort((a, b) => Math.abs(b.correlation) - Math.abs(a.correlation))
    .slice(0, most);
}

/** The later the worse, and missed is later than any; a false alarm is worse than none. */
function badness({ outcomes }: Trial, id: string): number {
  const found = outcomes[id];
  if (!found) return 0;
  if (found.outcome === 'missed') return Infinity;
  return found.outcome === 'fired falsely' ? 1 : (found.delay ?? 0);
}

/**
 * Ranks from 0, ties sharing their middle.
 *
 * @example ranks([10, 30, 20, 20]) // [0, 3, 1.5, 1.5]
 */
export function ranks(values: readonly number[]): number[] {
  const order = values
    .map((value, i) => ({ value, i }))
    .sort((a, b) => (a.value < b.value ? -1 : a.value > b.value ? 1 : 0));
  const found = new Array<number>(values.length);
  for (let from = 0; from < order.length;) {
    let end = from + 1;
    while (end < order.length && order[end]?.value === order[from]?.value) end += 1;
    for (const { i } of order.slice(from, end)) found[i] = (from + end - 1) / 2;
    from = end;
  }
  return found;
}

/**
 * Pearson's correlation; 0 where either does not differ.
 *
 * @example correlationOf([1, 2, 3], [6, 4, 2]) // -1
 */
export function correlationOf(a: readonly number[], b: readonly number[]): number {
  const mean = (list: readonly number[]): number => list.reduce((s, x) => s + x, 0) / list.length;
  const [ma, mb] = [mean(a), mean(b)];
  let [ab, aa, bb] = [0, 0, 0];
  for (const [i, value] of a.entries()) {
    const [x, y] = [value - ma, (b[i] ?? NaN) - mb];
    ab += x * y;
    aa += x * x;
    bb += y * y;
  }
  return aa > 0 && bb > 0 ? ab / Math.sqrt(aa * bb) : 0;
}
