import type { System } from '../equations/index.js';

/** Where a conductance between two nodes stands in the matrix: aa, ab, ba, bb. */
export type ConductanceSlots = readonly [number, number, number, number];

/** Reserves the four places of a conductance. */
export function conductanceSlots(system: System, a: number, b: number): ConductanceSlots {
  return [system.slot(a, a), system.slot(a, b), system.slot(b, a), system.slot(b, b)];
}

/** Stamps a conductance. */
export function stampConductance(system: System, slots: ConductanceSlots, siemens: number): void {
  const { values } = system;
  values[slots[0]] += siemens;
  values[slots[1]] -= siemens;
  values[slots[2]] -= siemens;
  values[slots[3]] += siemens;
}

/** Stamps a current that leaves node `from` through the device and enters node `to`. */
export function stampCurrent(system: System, from: number, to: number, amps: number): void {
  system.rhs[system.at(from)] -= amps;
  system.rhs[system.at(to)] += amps;
}

/** Voltage between two nodes of a guess. */
export function across(x: Float64Array, a: number, b: number): number {
  return (a < 0 ? 0 : x[a]) - (b < 0 ? 0 : x[b]);
}
