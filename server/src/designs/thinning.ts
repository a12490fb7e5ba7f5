/** A save, and how long servers had run on its database when it was made, s. */
export interface Saved {
  version: number;
  ranFor: number;
}

const hour = 3600;
const day = 24 * hour;
const month = 30 * day;

/**
 * Which saves make room: all of the last day are kept, then the last one of each hour for thirty days, then the last
 * one of each day; the first and the newest always. Time is counted while the server runs, as a clock may be set; a day
 * that it does not run ages nothing.
 *
 * @param saves newest first
 * @param now on the same count, s
 * @returns their versions
 */
export function surplus(saves: readonly Saved[], now: number): number[] {
  const seen = new Set<string>();
  return saves.flatMap(({ version, ranFor }, i) => {
    const age = now - ranFor;
    if (age <= day || i === 0 || i === saves.length - 1) return [];
    const span = age <= month ? hour : day;
    const slot = `${span}:${Math.floor(ranFor / span)}`;
    if (seen.has(slot)) return [version];
    seen.add(slot);
    return [];
  });
}
