import type { Filter } from '../design/index.js';

/** What a filter remembers: the last readings in their order, or for a running average the average alone. */
export type FilterState = readonly number[];

/**
 * Takes one reading into a filter. Until `n` readings are there, mean and median are of those there are; a
 * running average begins at the first reading.
 */
export function stepFilter(
  filter: Filter | undefined,
  state: FilterState,
  counts: number,
): { value: number; state: FilterState } {
  if (!filter || filter.n <= 1) return { value: counts, state };
  if (filter.by === 'exponential') {
    const [before = counts] = state;
    const value = before + (counts - before) / filter.n;
    return { value, state: [value] };
  }
  const last = [...state.slice(Math.max(0, state.length - filter.n + 1)), counts];
  return { value: filter.by === 'mean' ? mean(last) : median(last), state: last };
}

/**
 * How long a filter holds a step of the reading back, in readings: how many more it takes until half of the
 * step is there. 0 without a filter.
 */
export function filterDelay(filter: Filter | undefined): number {
  if (!filter || filter.n <= 1) return 0;
  if (filter.by !== 'exponential') return Math.ceil(filter.n / 2) - 1;
  return Math.ceil(Math.log(0.5) / Math.log1p(-1 / filter.n)) - 1;
}

/**
 * Standard deviation left of independent noise of 1: 1/√n for a mean, 1/√(2n − 1) for a running average
 * (variance of a first-order recursion, closed form). A median leaves √(π/2n) for many normal readings; for
 * small n a little less, so this bounds it.
 */
export function filterNoise(filter: Filter | undefined): number {
  if (!filter || filter.n <= 1) return 1;
  if (filter.by === 'exponential') return 1 / Math.sqrt(2 * filter.n - 1);
  return Math.min(1, Math.sqrt((filter.by === 'median' ? Math.PI / 2 : 1) / filter.n));
}

const mean = (values: readonly number[]): number =>
  values.reduce((sum, v) => sum + v, 0) / values.length;

function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const half = Math.floor(sorted.length / 2);
  return mean(sorted.slice(sorted.length % 2 === 1 ? half : half - 1, half + 1));
}
