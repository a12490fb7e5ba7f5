import type { Rehearsal } from './rehearsal.js';
import type { Snapshot } from './snapshot.js';
import { countUpTo, valueAt } from './traces.js';

/**
 * A moment of a rehearsal as it was taken down, where the circuit was followed in time: volts, readings, and what acts. What is
 * not taken down (currents, powers) stays that of the settled circuit.
 */
export function asRecorded(snapshot: Snapshot, rehearsal: Rehearsal): Snapshot {
  if (rehearsal.circuit === 'settled') return snapshot;
  const { t, solution } = snapshot;
  const nets = solution.nets.map((net) => {
    const trace = rehearsal.nets[net.id];
    return trace ? { ...net, volts: valueAt(trace, t) ?? net.volts } : net;
  });
  const counts = Object.entries(snapshot.counts).map(([id, settled]) => {
    const trace = rehearsal.readings[id];
    return [id, (trace && valueAt(trace, t)) ?? settled] as const;
  });
  return {
    ...snapshot,
    solution: { ...solution, nets },
    counts: Object.fromEntries(counts),
    acting: { ...snapshot.acting, ...actingAt(snapshot, rehearsal) },
  };
}

/** What each part did last; none has acted before it first did. */
function actingAt({ t, acting }: Snapshot, rehearsal: Rehearsal): Snapshot['acting'] {
  const reached = rehearsal.acting.slice(
    0,
    countUpTo(rehearsal.acting, t, (a) => a.t),
  );
  const at: Snapshot['acting'] = {};
  for (const [part, { because }] of Object.entries(acting)) at[part] = { active: false, because };
  for (const { part, active, because } of reached) at[part] = { active, because };
  return at;
}
