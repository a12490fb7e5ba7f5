import type { Network, Transient } from '../circuit/index.js';
import { isNear } from './settling.js';

/** Where a circuit stands at a moment, to be held against where it stands later. */
export interface Standing {
  t: number;
  /** Volts and currents, charges and fluxes, and the modes of what switches. */
  x: Float64Array;
  states: Float64Array;
  modes: readonly number[];
}

/** Cycles that are alike are followed anew when charges have changed by this share, and after so many. */
const repeated = 1e-3;
const mostRepeated = 2000;

/** Cycles of a circuit of which one is like the other but for the charges of its batteries. */
export class Repeats {
  constructor(
    private readonly network: Network,
    private readonly transient: Transient,
  ) {}

  /** Where it stands: a cycle begins. */
  standing(t: number): Standing {
    this.transient.cycled(1);
    const { x, q } = this.network.system;
    return { t, x: x.slice(), states: q.slice(), modes: this.network.modes };
  }

  /** How many cycles like the one since then may follow, as far as charges change in them; 0 where it has not come back. */
  most({ x, states, modes }: Standing): number {
    const { slow, system, modes: now } = this.network;
    if (!modes.every((mode, i) => mode === now[i])) return 0;
    if (!x.every((v, i) => isNear(v, system.x[i]))) return 0;
    const spans = slow.map(
      ({ state, full }) => (repeated * full) / Math.abs(system.q[state] - states[state]),
    );
    return Math.min(mostRepeated, ...spans);
  }

  /** Goes on to `t` by so many cycles like the one since then. */
  go({ states }: Standing, times: number, t: number): void {
    const { slow, system } = this.network;
    const after = system.q.slice();
    for (const { state } of slow) after[state] += times * (after[state] - states[state]);
    this.transient.cycled(times + 1);
    this.transient.extrapolateTo(t, after);
  }
}
