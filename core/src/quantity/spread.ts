/** What a list of numbers comes to. */
export interface Spread {
  n: number;
  low: number;
  high: number;
  mean: number;
  /** Standard deviation of the sample (n − 1 in its denominator); 0 for a single number. */
  sd: number;
}

/**
 * Lowest, highest, mean and standard deviation, in two passes.
 *
 * @param values at least one
 * @example spreadOf([2, 4, 4, 4, 5, 5, 7, 9]).mean // 5
 */
export function spreadOf(values: readonly number[]): Spread {
  let [low, high, sum] = [Infinity, -Infinity, 0];
  for (const v of values) {
    if (v < low) low = v;
    if (v > high) high = v;
    sum += v;
  }
  const n = values.length;
  const mean = sum / n;
  const squares = values.reduce((total, v) => total + (v - mean) ** 2, 0);
  return { n, low, high, mean, sd: n > 1 ? Math.sqrt(squares / (n - 1)) : 0 };
}
