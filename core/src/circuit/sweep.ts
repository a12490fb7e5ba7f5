import type { Circuit } from './circuit.js';
import type { Memory } from './network.js';
import type { Solution } from './solution.js';

/** A trip point is found to this share of the swept range. */
const precision = 1e-9;
/** A voltage that jumps by this share of what it covers in the whole sweep, between two values, tips over. */
const tipping = 0.2;

export interface SweepPoint {
  value: number;
  solution: Solution;
}

/** A value at which something switches on the way up or down. */
export interface Trip {
  value: number;
  way: 'up' | 'down';
  /** Parts that changed their mode; empty when the circuit tips over by feedback alone. */
  parts: string[];
}

export interface Sweep {
  up: SweepPoint[];
  down: SweepPoint[];
  trips: Trip[];
}

/**
 * Sweeps one value up and down again, each solution starting from the one before, so that hysteresis
 * shows; finds where modes change or voltages tip over.
 *
 * @param set puts the value into the circuit
 * @param points of the way up, at least 2; the way down has as many
 */
export function sweep(
  circuit: Circuit,
  set: (value: number) => void,
  from: number,
  to: number,
  points: number,
): Sweep {
  const count = Math.max(2, Math.floor(points));
  const values = Array.from({ length: count }, (_, i) => from + ((to - from) * i) / (count - 1));
  const at = (value: number): SweepPoint => {
    set(value);
    return { value, solution: circuit.solve() };
  };
  const trips: Trip[] = [];
  const leg = (path: readonly number[], way: Trip['way']): SweepPoint[] => {
    const memories: Memory[] = [];
    const found = path.map((value) => {
      const point = at(value);
      memories.push(circuit.network.remember());
      return point;
    });
    const jumps = tippingSize(memories);
    for (let i = 1; i < path.length; i++) {
      const trip = findTrip(
        circuit,
        set,
        path[i - 1],
        path[i],
        memories[i - 1],
        memories[i],
        jumps,
      );
      if (trip) trips.push({ ...trip, way });
    }
    const last = memories.at(-1);
    if (last) circuit.network.recall(last);
    return found;
  };
  const up = leg(values, to >= from ? 'up' : 'down');
  const down = leg([...values].reverse(), to >= from ? 'down' : 'up');
  return { up, down, trips };
}

/** By unknown: a change so large between neighbours that it may be a jump. */
function tippingSize(memories: readonly Memory[]): Float64Array {
  const size = memories[0]?.x.length ?? 0;
  const spans = new Float64Array(size);
  for (let i = 0; i < size; i++) {
    let low = Infinity;
    let high = -Infinity;
    for (const { x } of memories) {
      low = Math.min(low, x[i]);
      high = Math.max(high, x[i]);
    }
    spans[i] = Math.max(1e-6, tipping * (high - low));
  }
  return spans;
}

/** Halves the stretch between two neighbours until only the jump is left; undefined when there is none. */
function findTrip(
  circuit: Circuit,
  set: (value: number) => void,
  start: number,
  end: number,
  before: Memory,
  after: Memory,
  jumps: Float64Array,
): Omit<Trip, 'way'> | undefined {
  const switched = (a: Memory, b: Memory): boolean => a.modes.some((m, i) => m !== b.modes[i]);
  const tipped = (a: Memory, b: Memory): boolean =>
    a.x.some((v, i) => Math.abs(v - b.x[i]) > jumps[i]);
  // Where a mode changes it alone is looked for: a steep but smooth course must not lead away from it.
  const differs = switched(before, after) ? switched : tipped;
  if (!differs(before, after)) return undefined;
  let [near, far] = [start, end];
  let [low, high] = [before, after];
  while (Math.abs(far - near) > precision * Math.abs(end - start)) {
    const middle = (near + far) / 2;
    if (middle === near || middle === far) break;
    circuit.network.recall(low);
    set(middle);
    circuit.solve();
    const memory = circuit.network.remember();
    if (differs(low, memory)) [far, high] = [middle, memory];
    else [near, low] = [middle, memory];
  }
  if (!differs(low, high)) return undefined;
  const parts = circuit.network.switching
    .filter((_, i) => low.modes[i] !== high.modes[i])
    .map((device) => circuit.partOf(device));
  return { value: far, parts: [...new Set(parts)] };
}
