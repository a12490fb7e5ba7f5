/**
 * The value of a course of points at a time: straight lines between them, the first and the last value beyond.
 *
 * @param times ascending, at least one
 * @example between([0, 10], [1, 3], 5) // 2
 */
export function between(times: readonly number[], values: readonly number[], t: number): number {
  const i = times.findIndex((at) => at > t);
  if (i === 0) return values[0];
  if (i < 0) return values[values.length - 1];
  const share = (t - times[i - 1]) / (times[i] - times[i - 1]);
  return values[i - 1] + share * (values[i] - values[i - 1]);
}
