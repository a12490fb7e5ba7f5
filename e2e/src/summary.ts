/** Median and largest of some times, ms. */
export function summary(times: readonly number[]): string {
  const at = (share: number): string => quantile(times, share).toFixed(2);
  return `median ${at(0.5)} ms, 95 % ${at(0.95)} ms, largest ${at(1)} ms (${times.length} runs)`;
}

export const median = (times: readonly number[]): number => quantile(times, 0.5);

/** The one of some times that a share of them does not exceed. */
function quantile(times: readonly number[], share: number): number {
  const sorted = [...times].sort((a, b) => a - b);
  return sorted[Math.floor(share * (sorted.length - 1))] ?? NaN;
}
