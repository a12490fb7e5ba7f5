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

/** What a circuit goes through from one moment to another. */
export interface Stretch {
  begins: Standing;
  ends: Standing;
  period: number;
  /** What it adds to the charge of each battery, in their order. */
  adds: readonly number[];
  /** What parts take in it, where that is taken down. */
  takes: Float64Array | undefined;
}

/** How far volts and currents of a circuit move as those charges change. */
interface Drift {
  adds: readonly number[];
  moves: Float64Array;
}

/**
 * Stretches that are alike are followed anew when charges have changed by this share at first; by more, up to the most, as long as
 * what they add changes by less than that share of it meanwhile.
 */
const repeated = { first: 1e-3, most: 1e-2, alike: 5e-5 };
/** At the latest they are followed anew after so many. */
/** Heat and the like is the same within this share, and what is less than that is nothing. */
const alike = 1e-3;
const least = 1e-6;
const mostRepeated = 2000;

/** Stretches of a circuit of which one is like the other but for the charges of its batteries. */
export class Repeats {
  /** As a circuit showed it that came back to where it was, but for those charges. */
  private drift?: Drift;
  /** By what share charges may have changed. */
  private share = repeated.first;

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

  /** Whether it stands where a stretch began, but for what charges have changed since. */
  isLike({ begins }: Stretch): boolean {
    const { slow, system } = this.network;
    const isCharged = slow.every(
      ({ state, full }) => Math.abs(system.q[state] - begins.states[state]) <= this.share * full,
    );
    if (!isCharged || !this.areAlike(begins.states, system.q)) return false;
    const times = this.turnsSince(begins);
    return this.isAt({
      ...begins,
      x: begins.x.map((v, i) => v + times * (this.drift?.moves[i] ?? 0)),
    });
  }

  /** Whether all but charges is alike: of heat no volts tell; what they do tell is held against them more closely. */
  private areAlike(one: Float64Array, other: Float64Array): boolean {
    const charges = this.network.slow.map(({ state }) => state);
    return one.every((v, i) => {
      const away = Math.abs(v - (other[i] ?? NaN));
      return away <= alike * Math.abs(v) + least || charges.includes(i);
    });
  }

  /** So many rounds have changed charges since as they have changed. */
  private turnsSince({ states }: Standing): number {
    const { slow, system } = this.network;
    if (!this.drift) return 0;
    const { adds } = this.drift;
    // What moves most of its whole tells how far it has come.
    const shares = slow.map(({ full }, i) => Math.abs(adds[i] ?? 0) / full);
    const most = shares.indexOf(Math.max(...shares));
    const state = slow[most]?.state;
    const by = adds[most] ?? 0;
    return state === undefined || by === 0 ? 0 : (system.q[state] - states[state]) / by;
  }

  /** What it went through from one moment to another. */
  since(begins: Standing, ends: Standing): Stretch {
    const { slow } = this.network;
    const adds = slow.map(({ state }) => ends.states[state] - begins.states[state]);
    const { taken: before } = begins;
    const takes = before && ends.taken?.map((amount, i) => amount - (before[i] ?? amount));
    return { begins, ends, period: ends.t - begins.t, adds, takes };
  }

  /** The same where it stands at the end as at the beginning: it tells how everything moves with charges. */
  round(begins: Standing, ends: Standing): Stretch {
    const round = this.since(begins, ends);
    this.drift = { adds: round.adds, moves: ends.x.map((v, i) => v - (begins.x[i] ?? v)) };
    return round;
  }

  /** How many rounds may follow, as far as charges change in them. */
  most({ adds }: Stretch): number {
    const { slow } = this.network;
    return Math.min(
      mostRepeated,
      ...slow.map(({ full }, i) => (this.share * full) / Math.abs(adds[i])),
    );
  }

  /** Whether a stretch is another followed anew: whether it adds what that added tells how often that is to be done. */
  isAnew(now: Stretch, before: Stretch): boolean {
    if (!this.areAlike(before.begins.states, now.begins.states)) return false;
    const isAlike = now.adds.every(
      (add, i) => Math.abs(add - (before.adds[i] ?? NaN)) <= repeated.alike * Math.abs(add),
    );
    const share = isAlike ? 2 * this.share : this.share / 2;
    this.share = Math.min(repeated.most, Math.max(repeated.first, share));
    return true;
  }

  /** Adds a stretch that began where it stands now. */
  follow({ ends, begins, takes }: Stretch): void {
    const { system } = this.network;
    const moved = (now: Float64Array, from: Float64Array, to: Float64Array): Float64Array =>
      now.map((v, i) => v + (to[i] ?? 0) - (from[i] ?? 0));
    system.q.set(moved(system.q, begins.states, ends.states));
    this.network.recall({ modes: [...ends.modes], x: moved(system.x, begins.x, ends.x) });
    if (takes) this.stress?.take(takes, 1);
  }

  /** Time goes on from `t` in steps. */
  land(t: number): void {
    this.transient.extrapolateTo(t, this.network.system.q.slice());
  }

  /** Goes on to `t` by so many rounds. */
  go({ adds, takes }: Stretch, times: number, t: number): void {
    const { slow, system } = this.network;
    const after = system.q.slice();
    slow.forEach(({ state }, i) => (after[state] += times * adds[i]));
    if (takes) this.stress?.take(takes, times);
    this.transient.extrapolateTo(t, after);
  }
}
