/**
 * Counts of an ideal converter whose full scale reads 2^N − 1 at the reference:
 * round(V / Vref · (2^N − 1)), held within 0 and full scale.
 *
 * Converters that truncate V / Vref · 2^N instead differ from this by at most one count.
 *
 * @param volts at the input
 * @param reference Vref, V; a reference that is not positive reads 0
 * @param bits N
 */
export const converterCounts = (volts: number, reference: number, bits: number): number =>
  Math.round(converterShare(volts, reference, bits));

/** The same before rounding. */
export function converterShare(volts: number, reference: number, bits: number): number {
  const full = 2 ** bits - 1;
  if (!(reference > 0)) return 0;
  return Math.min(full, Math.max(0, (volts / reference) * full));
}
