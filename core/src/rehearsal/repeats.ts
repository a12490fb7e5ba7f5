import type { Network, StressWatch, Transient } from '../circuit/index.js';
import { isNear } from './settling.js';

/** Where a circuit stands at a moment, to be held against where it stands later. */
export interface Standing {
  t: number;
  /** Volts and currents, charges and fluxes, and the modes of what switches. */
  x: Float64Array;
  states: Float64Array;
  modes: readonly number[];
  /** What parts had taken until then, where that is taken down. */
  taken: Float64Array | undefined;
}

/** What a circuit goes through that comes back to where it began, but for the charges of its batteries. */
export interface Cycle {
  begins: Standing;
  period: number;
  /** What it adds to each of those charges, in their order. */
  adds: readonly number[];
  /** What parts take in it, where that is taken down. */
  takes: Float64Array | undefined;
  /** How far volts and currents move in it, as those charges change. */
  moves: Float64Array;
}

/** Cycles that are alike are followed anew when charges have changed by this share, and after so many. */
const repeated = 1e-3;
const mostRepeated = 2000;

/** Cycles of a circuit of which one is like the other but for the charges of its batteries. */
export class Repeats {
  constructor(
    private readonly network: Network,
    private readonly transient: Transient,
    private readonly stress: StressWatch | undefined,
  ) {}

  /** Where it stands: a cycle begins. */
  standing(t: number): Standing {
    const { modes, system } = this.network;
    const taken = this.stress?.taken;
    return { t, x: system.x.slice(), states: system.q.slice(), modes, taken };
  }

  /**
   * Whether it stands as it did.
   *
   * @param times so many times as far from it as counts as the same after one cycle
   */
  isAt({ x, modes }: Standing, times = 1): boolean {
    const { system, modes: now } = this.network;
    return (
      modes.every((mode, i) => mode === now[i]) && x.every((v, i) => isNear(v, system.x[i], times))
    );
  }

  /** Whether it stands where it would at a moment, had it gone through one such cycle after the other. */
  isAfter({ begins, period, moves }: Cycle, t: number): boolean {
    const times = (t - begins.t) / period;
    return this.isAt({ ...begins, x: begins.x.map((v, i) => v + times * (moves[i] ?? 0)) });
  }

  /** What it went through since a moment at which it stood as it does now. */
  since(begins: Standing, t: number): Cycle {
    const { slow, system } = this.network;
    const adds = slow.map(({ state }) => system.q[state] - begins.states[state]);
    const { taken: before } = begins;
    const takes = before && this.stress?.taken.map((amount, i) => amount - before[i]);
    const moves = system.x.map((v, i) => v - (begins.x[i] ?? v));
    return { begins, period: t - begins.t, adds, takes, moves };
  }

  /** How many cycles may follow, as far as charges change in them. */
  most({ adds }: Cycle): number {
    const { slow } = this.network;
    return Math.min(
      mostRepeated,
      ...slow.map(({ full }, i) => (repeated * full) / Math.abs(adds[i])),
    );
  }

  /** Goes on to `t` by so many cycles. */
  go({ adds, takes }: Cycle, times: number, t: number): void {
    const { slow, system } = this.network;
    const after = system.q.slice();
    slow.forEach(({ state }, i) => (after[state] += times * adds[i]));
    if (takes) this.stress?.take(takes, times);
    this.transient.extrapolateTo(t, after);
  }
}
