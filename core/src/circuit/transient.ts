import { ChatterWatch, type Chatter } from './chatter.js';
import type { Device } from '../element/index.js';
import type { Network } from './network.js';
import { Patience, type Pace } from './patience.js';
import { Sdirk, stageShares } from './sdirk.js';

/** Error per step against the size of a charge or flux; 0.1 % is reached over whole runs. */
const usualRelative = 3e-5;
/** An event is found to this share of its step, and never worse than 1 µs. */
/** Sums of times are no more exact than this, as a share. */
const sliver = 64 * Number.EPSILON;
const eventShare = 1e-6;
const eventTime = 1e-6;
/** Most changes at one moment. */
const mostAtOnce = 100;

export interface TransientOptions {
  relative?: number;
  /** Steps after which the run ends with a reason. */
  maxSteps?: number;
  /** The run also ends so where steps lead no further than this. */
  pace?: Pace;
  /** Asked now and then; false ends the run with a reason. */
  keepGoing?: () => boolean;
  /** Gives elements the values they have at a moment: what changes them goes on changing within a step. */
  drift?: (t: number) => void;
}

/** Something that looks at every step taken and every jump. */
export interface Observer {
  /** After a step of length `h` that ended at `t`. */
  stepped?(t: number, h: number): void;
  /** Just after something jumped at `t`. */
  jumped?(t: number): void;
  /** All since the last call stands for so many cycles that are alike; see `runCycles`. */
  cycled?(times: number): void;
}

/** Something that looks at fixed times and may act, as a controller does. */
export interface Ticker {
  every: number;
  /**
   * @param volts of a node at this moment
   * @returns what to change in the circuit now, if anything
   */
  tick(t: number, volts: (node: string) => number | undefined): (() => void) | undefined;
}

/** Why a run ended before its time. */
export type Halt = 'too many steps' | 'stopped' | 'no solution';

/**
 * The circuit in time: steps of variable length, cut at corners of sources and at the moments at which
 * a device changes its mode, which are found by stepping again from the same start.
 */
export class Transient {
  t = 0;
  steps = 0;
  rejected = 0;
  events = 0;
  halt: Halt | undefined;
  /** Longest step, s. */
  maxStep = Infinity;
  readonly stepper: Sdirk;
  private h = 1;
  private jumpedAt = NaN;
  private snappedAt = NaN;
  /** Length of the first step after the last jump, where it was not cut short. */
  private first = Infinity;
  private readonly observers: Observer[] = [];
  private readonly cornered: readonly Device[];
  private readonly chatter = new ChatterWatch();
  private readonly patience?: Patience;
  private paused = false;
  private tickAt = Infinity;
  private ticks = 0;

  constructor(
    readonly network: Network,
    private readonly options: TransientOptions = {},
  ) {
    const devices = network.devices.filter((d) => d !== undefined);
    this.cornered = devices.filter((d) => d.nextCorner);
    if (options.pace) this.patience = new Patience(options.pace);
    const storing = devices.filter((d) => d.store);
    this.stepper = new Sdirk(
      network.system,
      network.sorted,
      storing,
      options.relative ?? usualRelative,
      options.drift,
    );
  }

  /** Devices that chattered, each once. */
  get chatters(): readonly Chatter[] {
    return this.chatter.found;
  }

  /** The device that changed most quickly of late, if any, and the mean time between its changes, s. */
  get busiest(): { device: Device; every: number } | undefined {
    return this.chatter.busiest(this.t - (this.options.pace?.within ?? Infinity));
  }

  observe(observer: Observer): void {
    this.observers.push(observer);
  }

  /** Starts from the steady state that was solved last: all charges as they stand. */
  startAtRest(): void {
    this.network.store();
    this.stepper.take();
    this.restart();
  }

  /** Starts with every charge, flux and switch as before power was first given. */
  startDead(): void {
    this.network.unpower();
    this.stepper.take();
    this.restart();
  }

  /** To be called after element values have been changed between two calls of `advance`. */
  restart(): void {
    if (!this.network.solvable) this.halt = 'no solution';
    else this.jump();
  }

  /** Leaps over cycles that only repeat: the states take new values, the clock moves on. */
  extrapolateTo(t: number, states: Float64Array): void {
    this.t = t;
    this.network.system.q.set(states);
    this.stepper.take();
    this.restart();
  }

  /**
   * Steps, each twice as long as the last, whose error is let pass: what is much faster has settled at their end. They end
   * where one fails, where one would pass a moment, or where something is due.
   */
  blur(first: number, steps: number, until: number): void {
    for (let i = 0, h = first; i < steps && !this.halt; i++, h *= 2) {
      if (this.t + h >= Math.min(until, this.nextBreak())) return;
      if (this.stepper.attempt(this.t, h) === Infinity) return;
      this.commit(this.t + h, h);
    }
  }

  /** Tells observers that all since the last call stands for so many cycles. */
  cycled(times: number): void {
    for (const observer of this.observers) observer.cycled?.(times);
  }

  /** Ends the present call of `advance` after the step under way. */
  pause(): void {
    this.paused = true;
  }

  /** Runs until a time, until an observer pauses it, or until `halt` tells why not. */
  advance(until: number, ticker?: Ticker): void {
    if (ticker) this.tickAt = this.ticks * ticker.every;
    const { maxSteps = 5e6, keepGoing } = this.options;
    this.paused = false;
    while (this.t < until && !this.halt && !this.paused) {
      if (this.steps >= maxSteps || this.patience?.isOver(this.t, this.steps))
        this.halt = 'too many steps';
      else if (keepGoing && this.steps % 64 === 0 && !keepGoing()) this.halt = 'stopped';
      else this.step(until, ticker);
    }
  }

  private step(until: number, ticker: Ticker | undefined): void {
    const { t, stepper } = this;
    const corner = this.nextBreak();
    const end = Math.min(until, corner);
    const shortest = Math.max(1e-15, 4 * Number.EPSILON * t);
    // What rounding has left of the way is no step.
    if (corner > end && end - t < sliver * t) {
      this.t = end;
      return;
    }
    const jumped = t === this.jumpedAt;
    // What followed the last jump tells how short to begin after this one.
    let h = Math.min(this.h, this.maxStep, jumped ? 4 * this.first : Infinity);
    let reaches = t + 1.01 * h >= end;
    if (reaches) h = end - t;
    let error = stepper.attempt(t, h);
    while (error > 1) {
      this.rejected += 1;
      if (h <= shortest) {
        if (error < Infinity) break;
        this.snap();
        return;
      }
      h = Math.max(
        shortest,
        h * (error < Infinity ? Math.max(0.05, 0.9 * error ** (-1 / 3)) : 0.1),
      );
      reaches = false;
      error = stepper.attempt(t, h);
    }
    const grown = h * (error > 0 ? Math.min(5, Math.max(0.2, 0.9 * error ** (-1 / 3))) : 10);
    // A step cut short says nothing against the length that was good before.
    this.h = reaches ? Math.max(this.h, grown) : grown;
    if (jumped && !reaches) this.first = h;
    const crossing = this.firstCrossing();
    if (crossing >= 0) {
      h = this.locate(t, h, crossing);
      reaches = false;
    }
    if (ticker && this.tickAt <= t + h && this.tickWithin(t, h, ticker)) return;
    this.commit(reaches ? end : t + h, h);
    if ((reaches && corner <= end) || crossing >= 0) this.jump();
  }

  /** Asks the ticker at every tick within the step; true when it acted and the step was cut there. */
  private tickWithin(t: number, h: number, ticker: Ticker): boolean {
    const { stepper, network } = this;
    while (this.tickAt <= t + h) {
      const at = this.tickAt;
      const share = h > 0 ? (at - t) / h : 0;
      const volts = (node: string): number | undefined => {
        const i = network.index.get(node);
        return i === undefined ? undefined : stepper.sample(i, share);
      };
      const act = ticker.tick(at, volts);
      this.ticks += 1;
      this.tickAt = this.ticks * ticker.every;
      if (!act) continue;
      const cut = at - t;
      if (cut > 0) {
        if (cut < h) stepper.attempt(t, cut);
        this.commit(at, cut);
      } else {
        network.system.x.set(stepper.start);
      }
      act();
      this.jump();
      return true;
    }
    return false;
  }

  private commit(t: number, h: number): void {
    this.t = t;
    this.steps += 1;
    this.stepper.take();
    for (const observer of this.observers) observer.stepped?.(t, h);
  }

  /** The next corner of a source or change that is due. */
  private nextBreak(): number {
    let next = Infinity;
    for (const device of this.cornered) next = Math.min(next, device.nextCorner?.(this.t) ?? next);
    for (const { switching } of this.network.switching) {
      if (switching) next = Math.min(next, switching.due);
    }
    return Math.max(next, this.t);
  }

  /** The first stage of the step at which some mode no longer fits; −1 when all fit. */
  private firstCrossing(): number {
    for (let stage = 0; stage < 3; stage++) {
      if (this.worstEvent(this.stepper.stages[stage]) > 0) return stage;
    }
    return -1;
  }

  private worstEvent(x: Float64Array): number {
    let worst = -Infinity;
    for (const device of this.network.switching) {
      const event = device.switching?.event(x) ?? 0;
      if (event > worst && !this.chatter.isHushed(device, this.t)) worst = event;
    }
    return worst;
  }

  /**
   * The length of the step that ends where a mode first stops to fit, by regula falsi with the Illinois
   * weights (Dowell and Jarratt, BIT 11, 1971); the last try stands in the stepper.
   */
  private locate(t: number, h: number, stage: number): number {
    const { stepper, network } = this;
    const precision = Math.max(Math.min(eventShare * h, eventTime), 8 * Number.EPSILON * t);
    let low = 0;
    let atLow = Math.min(0, this.worstEvent(stepper.start));
    let high = stageShares[stage] * h;
    let atHigh = this.worstEvent(stepper.stages[stage]);
    let tried = stage === 2 ? h : NaN;
    let side = 0;
    for (let round = 0; round < 80 && high - low > precision; round++) {
      const share = atLow < 0 ? atLow / (atLow - atHigh) : 0.5;
      const inner = Math.min(0.98, Math.max(0.02, share)) * (high - low);
      const guess = low + (round % 4 === 3 ? (high - low) / 2 : inner + precision / 4);
      stepper.attempt(t, guess);
      tried = guess;
      const event = this.worstEvent(network.system.x);
      if (event > 0) {
        high = guess;
        atHigh = event;
        if (side > 0) atLow /= 2;
        side = 1;
      } else {
        low = guess;
        atLow = event;
        if (side < 0) atHigh /= 2;
        side = -1;
      }
    }
    if (tried !== high) stepper.attempt(t, high);
    return high;
  }

  /**
   * No way on by the shortest step: feedback has tipped over faster than any capacitance in it. What can
   * jump jumps; when nothing does, there is no solution.
   */
  private snap(): void {
    if (this.snappedAt === this.t) this.halt = 'no solution';
    else this.jump();
    this.snappedAt = this.t;
  }

  /** What jumps at this moment: modes that no longer fit or are due, one after another, until all fit. */
  private jump(): void {
    const { network, stepper, t } = this;
    this.jumpedAt = t;
    for (let round = 0; ; round++) {
      const pressed = network.switching.filter((d) => this.isPressed(d));
      if (pressed.length > 0 && round < mostAtOnce) {
        for (const device of pressed) this.transition(device);
      }
      if (!stepper.jump(t)) {
        this.halt = 'no solution';
        return;
      }
      if (round >= mostAtOnce) for (const device of pressed) this.chatter.hush(device, t, 0);
      if (!network.switching.some((d) => this.isPressed(d))) break;
    }
    for (const observer of this.observers) observer.jumped?.(t);
  }

  private isPressed(device: Device): boolean {
    const { switching } = device;
    if (!switching || this.chatter.isHushed(device, this.t)) return false;
    return switching.due <= this.t || switching.event(this.network.system.x) > 0;
  }

  private transition(device: Device): void {
    const { switching } = device;
    if (!switching) return;
    const before = switching.mode;
    switching.transition(this.t);
    this.events += 1;
    if (switching.mode === before) return;
    this.chatter.changed(device, this.t);
    if (this.chatter.isHushed(device, this.t)) this.patience?.renew(this.t, this.steps);
  }
}
