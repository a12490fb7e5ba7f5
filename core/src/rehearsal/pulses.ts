import type { SolvedPart } from '../catalog/index.js';
import type { Network, PartValues, Transient } from '../circuit/index.js';
import { Means } from './means.js';

/** The circuit at a moment of a period. */
interface Sample {
  /** Since the beginning of the period, s. */
  since: number;
  x: Float64Array;
  q: Float64Array;
  modes: number[];
}

/** How far from its periodic state a state may be: this share of itself, or so many times what does not matter. */
const repeats = { share: 3e-4, tolerances: 10 };
/** What a period adds counts as nothing below this share of that. */
const none = 1e-6;
/** What an edge sets going is stepped over, not followed: first step as a share of the time to the next, and how many. */
const edge = { first: 1 / 64, steps: 4 };
/** Error of a leap over periods, as a share of a state, and the longest one while anything drifts, s. */
const extrapolationShare = 1e-4;
const longestExtrapolation = 0.1;

/** A leap may be longer, up to so long, s, while nothing drifts by more than this share of itself. */
const longestUnseen = 10;
const unseenShare = 1e-3;

/** Moments that are no farther apart than this are one, s. */
const sameMoment = 1e-9;

/** What a period adds to every unknown and every state. */
interface Added {
  x: Float64Array;
  q: Float64Array;
}

/** Until when any moment is one of the last period with what periods since then add: each so much less than the one before. */
interface Coast {
  until: number;
  added?: Added;
  ratios?: Added;
}

/**
 * Outputs that are dimmed: pins switched on and off period by period. From what each period adds to each charge it is told
 * how many like it can be leapt over, and whether the circuit has come to its periodic state: then time passes without a
 * step, and any moment is one of the period that was followed last, with what has been added since.
 *
 * Envelope following: Petzold, SIAM Journal on Numerical Analysis 18 (1981).
 */
export class Pulses {
  private from: number;
  private q0: Float64Array;
  /** Unknowns at the end of the last period of the same kind, and what the last period added. */
  private end?: Float64Array;
  private added?: Added;
  /** Whether the present period is followed from its beginning. */
  private whole = true;
  private watched = false;
  private samples: Sample[] = [];
  private last = '';
  private readonly means: Means;
  private coast?: Coast;

  /**
   * @param duties share of the time on, by output
   * @param values of the parts whose means are wanted
   */
  constructor(
    private readonly network: Network,
    private readonly transient: Transient,
    private readonly period: number,
    private duties: readonly number[],
    values: ReadonlyMap<string, PartValues>,
  ) {
    this.from = transient.t;
    this.q0 = network.system.q.slice();
    this.means = new Means(network, values);
    this.means.begin();
    this.last = this.on(this.from).join();
  }

  /** Until when no step needs to be taken; undefined while periods are followed. */
  get coastsUntil(): number | undefined {
    return this.coast?.until;
  }

  /** Which outputs are on at a moment. */
  on(t: number): boolean[] {
    const since = this.since(t) + sameMoment;
    return this.duties.map((duty) => since < duty * this.period);
  }

  /** Whether other outputs are on than when this was asked last. */
  turns(t: number): boolean {
    const before = this.last;
    this.last = this.on(t).join();
    return this.last !== before;
  }

  /** Steps over what an edge sets going, as far as a moment. */
  blur(until: number): void {
    const { t } = this.transient;
    this.transient.blur(edge.first * (this.next(t) - t), edge.steps, until);
  }

  /** The next moment after `t` at which an output turns. */
  next(t: number): number {
    const turns = this.duties.map((duty) => this.from + duty * this.period);
    const later = turns.filter((turn) => turn > t + sameMoment);
    return Math.min(this.from + this.period, ...later);
  }

  /** Takes down a step that was taken. */
  stepped(h: number): void {
    this.means.add(h);
    this.sample();
  }

  /** Takes down that something has jumped. */
  jumped(): void {
    this.means.jump();
    this.sample();
  }

  /** Something in this period is watched for: those that follow are followed too. */
  watch(): void {
    this.watched = true;
  }

  /** Where time has come to the end of a period: whether, and how far, those that follow need not be; true where it has. */
  close(): boolean {
    const { network, transient, period } = this;
    const { q, x } = network.system;
    if (transient.t < this.from + period - sameMoment) return false;
    const { end, q0, added: before } = this;
    this.end = x.slice();
    if (this.whole) {
      this.means.close(period);
      this.added = end && { x: x.map((v, i) => v - end[i]), q: q.map((v, i) => v - q0[i]) };
      if (before && this.added && !this.watched) this.coast = this.coastFrom(this.added, before);
    }
    if (this.coast) return true;
    this.begin();
    return true;
  }

  /**
   * Brings the circuit to a moment while it coasts, or to the last period before it in which nothing would have switched.
   *
   * @returns the moment it was brought to
   */
  recall(t: number): number {
    const { period } = this;
    let periods = Math.floor((t - this.from + sameMoment) / period);
    const since = Math.max(0, t - this.from - periods * period);
    this.place(since, 0);
    const before = this.pressed();
    this.place(since, periods);
    if (!this.coast?.added || this.pressed() === before) return t;
    let good = 0;
    while (periods - good > 1) {
      const middle = Math.floor((good + periods) / 2);
      this.place(since, middle);
      if (this.pressed() === before) good = middle;
      else periods = middle;
    }
    this.place(since, good);
    return this.from + good * period + since;
  }

  /**
   * Goes on step by step from a moment to which the circuit was brought. What earlier periods added is forgotten: foreseen
   * from far it would decide on the next.
   */
  resume(): void {
    const { t } = this.transient;
    this.from += this.period * Math.floor((t - this.from + sameMoment) / this.period);
    this.last = this.on(t).join();
    this.forget();
    this.whole = false;
  }

  /** Goes on with other shares of the time. */
  redim(duties: readonly number[]): void {
    this.duties = duties;
    this.forget();
    this.begin();
    this.last = this.on(this.from).join();
  }

  /** Volts and currents of the network as their mean over the last period; undefined before there was one. */
  get meanX(): Float64Array | undefined {
    return this.means.x;
  }

  /** A part as its mean over the last period, where that is taken down. */
  mean(part: string): SolvedPart | undefined {
    return this.means.of(part);
  }

  private forget(): void {
    this.coast = undefined;
    this.end = undefined;
    this.added = undefined;
  }

  private begin(): void {
    this.from = this.transient.t;
    this.q0 = this.network.system.q.slice();
    this.samples = [];
    this.whole = true;
    this.watched = false;
    this.means.begin();
  }

  /** Where the periods that follow are like the last; charges of batteries are told by others. */
  private coastFrom(added: Added, before: Added): Coast | undefined {
    const { network, transient, period } = this;
    const { q, tolerance } = network.system;
    for (const { state } of network.slow) added.q[state] = before.q[state] = 0;
    const drifts = added.q.map((a, s) => (repeatsAt(a, before.q[s], q[s], tolerance[s]) ? 0 : a));
    if (drifts.every((a) => a === 0)) return { until: Infinity };
    const longest = Math.max(
      longestExtrapolation,
      Math.min(longestUnseen, period * unseen(q, drifts)),
    );
    const leap = extrapolated(q, drifts, before.q, tolerance);
    const size = Math.min(Math.floor(longest / period), leap);
    if (size < 2) return undefined;
    const ratios = { x: ratiosOf(added.x, before.x), q: ratiosOf(added.q, before.q) };
    return { until: transient.t + size * period, added: { x: added.x, q: drifts }, ratios };
  }

  /** Brings the circuit to a moment of the last period, so many periods on. */
  private place(since: number, periods: number): void {
    const { samples, network } = this;
    const { x, q } = network.system;
    let i = samples.findIndex((s) => s.since > since);
    if (i < 0) i = samples.length;
    const [before, after] = [samples[Math.max(0, i - 1)], samples[Math.min(i, samples.length - 1)]];
    if (!before) return;
    network.recall(before);
    const span = after.since - before.since;
    const share = span > 0 ? Math.min(1, (since - before.since) / span) : 0;
    mix(x, before.x, after.x, share);
    mix(q, before.q, after.q, share);
    const { added, ratios } = this.coast ?? {};
    if (!added || !ratios || periods === 0) return;
    for (let u = 0; u < x.length; u++) x[u] += addedIn(periods, added.x[u], ratios.x[u]);
    for (let s = 0; s < q.length; s++) q[s] += addedIn(periods, added.q[s], ratios.q[s]);
  }

  /** Which devices no longer fit the mode they are in. */
  private pressed(): string {
    const { switching, system } = this.network;
    return switching.map((d) => ((d.switching?.event(system.x) ?? 0) > 0 ? 1 : 0)).join('');
  }

  private since(t: number): number {
    const since = t - this.from;
    return since < this.period - sameMoment ? since : since % this.period;
  }

  private sample(): void {
    const { system, modes } = this.network;
    const { x, q } = system;
    const since = this.transient.t - this.from;
    this.samples.push({ since, x: x.slice(), q: q.slice(), modes });
  }
}

/** What so many periods add when each adds so much less than the one before: a geometric series. */
const addedIn = (periods: number, added: number, ratio: number): number =>
  ratio === 1 ? periods * added : (added * ratio * (1 - ratio ** periods)) / (1 - ratio);

const ratiosOf = (added: Float64Array, before: Float64Array): Float64Array =>
  added.map((value, i) => (value === 0 ? 0 : Math.min(1, Math.max(0, value / before[i]))));

/** Whether a state comes back to where it was, from what the last two periods added: what is left is a geometric series. */
function repeatsAt(added: number, before: number, state: number, tolerance: number): boolean {
  const allowed = repeats.share * Math.abs(state) + repeats.tolerances * tolerance;
  if (Math.abs(added) <= none * allowed) return true;
  const ratio = Math.min(0.99999, Math.max(0, added / before));
  return Math.abs(added) / (1 - ratio) <= allowed;
}

/** How many periods can be leapt over, from how much what they add changes. */
function extrapolated(
  q: Float64Array,
  added: Float64Array,
  before: Float64Array,
  tolerance: Float64Array,
): number {
  let size = Infinity;
  for (let s = 0; s < q.length; s++) {
    // What repeats is left as it is: what it seems to add is no more than the error of its steps.
    if (added[s] === 0) continue;
    const bend = Math.abs(added[s] - before[s]);
    // The bend is followed too: what is left is its own change, which is less by as much again.
    const error = bend * Math.min(1, bend / Math.abs(added[s]));
    if (error > 0)
      size = Math.min(
        size,
        Math.cbrt((extrapolationShare * Math.abs(q[s]) + tolerance[s]) / error),
      );
  }
  return Math.floor(size);
}

/** Over how many periods nothing drifts so far that anyone would see it. */
const unseen = (q: Float64Array, added: Float64Array): number =>
  added.reduce(
    (least, a, s) => (a === 0 ? least : Math.min(least, Math.abs((unseenShare * q[s]) / a))),
    Infinity,
  );

function mix(into: Float64Array, a: Float64Array, b: Float64Array, share: number): void {
  for (let i = 0; i < into.length; i++) into[i] = a[i] + share * (b[i] - a[i]);
}
