/** Answers after which the same may be asked again: nothing was changed, and the cause may pass. */
const passing = [0, 429, 500, 503, 507];

export const maySucceedLater = (status: number): boolean => passing.includes(status);

const first = 1000;
const longest = 30_000;

/**
 * How long to wait before it is tried again, ms: twice as long each time, up to half a minute.
 *
 * @param failures in a row until now, from 1
 * @param wish what the server asked for, s
 */
export const waitAfter = (failures: number, wish = 0): number =>
  Math.min(longest, Math.max(first * 2 ** (failures - 1), 1000 * wish));
