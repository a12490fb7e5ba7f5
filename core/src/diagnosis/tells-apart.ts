import { everyState, type Evidence, type State } from '../check/index.js';

/** A meter shows a difference from here on, V and A; a reading from here on, as a share of itself or of one count. */
const leastVolts = 0.05;
const leastAmps = 1e-3;
const leastShare = 0.02;

const differ = (a: number, b: number, least: number): boolean =>
  Math.abs(a - b) > Math.max(least, leastShare * Math.max(Math.abs(a), Math.abs(b)));

const sameKeys = (a: ReadonlySet<string>, b: ReadonlySet<string>): boolean =>
  a.size === b.size && [...a].every((k) => b.has(k));

/** Whether a meter at any part, or anyone who looks on, can tell one state from another. */
function differs(a: State, b: State): boolean {
  if ((a.solution.method === 'none') !== (b.solution.method === 'none')) return true;
  if (!sameKeys(a.acting, b.acting)) return true;
  for (const [id, counts] of a.counts)
    if (differ(counts, b.counts.get(id) ?? NaN, 1) || !b.counts.has(id)) return true;
  return (
    Object.entries(a.solution.parts).some(([id, part]) => {
      const other = b.solution.parts[id];
      if (!other) return false;
      return Object.keys(part.amps).some((t) =>
        differ(part.amps[t] ?? 0, other.amps[t] ?? 0, leastAmps),
      );
    }) ||
    a.solution.nets.some((net) => {
      const other = b.solution.nets.find((n) => n.id === net.id);
      return other !== undefined && differ(net.volts ?? 0, other.volts ?? 0, leastVolts);
    })
  );
}

/** Whether anything that is measured or seen differs in any state that is looked at. */
export function tellsApartStates(a: Evidence, b: Evidence): boolean {
  const [one, other] = [everyState(a), everyState(b)];
  return one.length !== other.length || one.some((state, i) => differs(state, other[i]));
}
