/** Readings that a condition may look back over. */
const longest = 2000;

/** Why a condition that looks back over some time cannot: undefined where it can. */
export function tooFarBack(
  over: number,
  every: number,
): { reason: string; cure: string } | undefined {
  if (over / every <= longest) return undefined;
  return {
    reason: `It looks back over ${Math.round(over / every)} readings; at most ${longest} are kept`,
    cure: 'Look back over a shorter time, or read less often.',
  };
}
