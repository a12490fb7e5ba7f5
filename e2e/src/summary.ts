/** Median and largest of some times, ms. */
export function summary(times: readonly number[]): string {
  const sorted = [...times].sort((a, b) => a - b);
  const at = (share: number): string => sorted[Math.floor(share * (sorted.length - 1))].toFixed(2);
  return `median ${at(0.5)} ms, 95 % ${at(0.95)} ms, largest ${at(1)} ms (${times.length} runs)`;
}
