/**
 * The value of a course of points at a time: straight lines between them, the first and the last value beyond.
 *
 * @param times ascending, at least one
 * @returns NaN for a course without points
 * @example between([0, 10], [1, 3], 5) // 2
 */
export function between(times: readonly number[], values: readonly number[], t: number): number {
  const i = times.findIndex((at) => at > t);
  const after = values.at(i) ?? NaN;
  const [a, before, b] = [times[i - 1], values[i - 1], times[i]];
  if (a === undefined || before === undefined || b === undefined) return after;
  return before + ((t - a) / (b - a)) * (after - before);
}
