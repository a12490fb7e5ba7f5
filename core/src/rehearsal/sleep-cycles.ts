import type { Channel, Design } from '../design/index.js';
import {
  restingChannel,
  stepChannel,
  stepLogic,
  type ChannelState,
  type LogicState,
} from '../logic/index.js';
import type { CoSimulation } from './co-simulation.js';
import {
  drawAgain,
  endsOf,
  lengthsOf,
  piecesSince,
  standsAt,
  type Ends,
  type Lengths,
  type Piece,
} from './pieces.js';
import type { Standing, Stretch } from './repeats.js';
import type { Trace } from './traces.js';

/** What a channel reads while the circuit stands as it does. */
export interface CycleReader {
  channel: Channel;
  /** The reading without noise, and the most that noise can take it away, counts. */
  counts: number;
  spread: number;
  /** The n-th reading of the channel. */
  read: (n: number) => number;
  taken: number;
  trace: Trace;
}

/** What is to be known of a run to go over its cycles of sleep. */
export interface Sleeper {
  readonly logic: LogicState;
  /** The program runs, and nothing that it has seen waits to be read. */
  readonly fine: boolean;
  /** All that has come about so far: where it has grown, something has. */
  readonly happened: string;
  /** When it fell asleep last, s. */
  readonly fellAsleep: number;
  /** What is taken down besides readings. */
  readonly traces: readonly Trace[];
  /** Until when nothing happens and its controller goes on as it does, s. */
  quietUntil(t: number): number;
  readers(t: number): CycleReader[];
}

/** Cycles that were gone over. */
export interface GoneOver {
  times: number;
  period: number;
  /** When the first of them began, and how long after that it falls asleep, s. */
  from: number;
  asleep: number;
  readers: readonly CycleReader[];
  channels: LogicState['channels'];
}

/** Where a run stood as its controller woke. */
interface Woke {
  t: number;
  standing: Standing;
  happened: string;
  /** How long traces were, and how many readings each channel had taken. */
  lengths: Lengths;
  taken: ReadonlyMap<string, number>;
}

/** A cycle of sleep in which nothing came about. */
interface Nap extends Stretch {
  /** How long after its beginning it falls asleep, s. */
  asleep: number;
  pieces: ReadonlyMap<Trace, Piece>;
  /** What traces besides readings had taken down last as it ended. */
  drawn: Ends;
  /** When each channel is read, from its beginning on, s. */
  readings: ReadonlyMap<string, readonly number[]>;
}

/** Moments that are no farther apart than this share of a cycle are one. */
const sameShare = 1e-6;
/** Readings of a cycle that are no farther apart than this are one, counts. */
const sameCount = 0.02;

/**
 * Cycles of sleep: where one begins as one before did, in which nothing came about, it and those that follow are gone over at
 * once, but for what is read in them.
 */
export class SleepCycles {
  /** Where it stood as the controller woke last, and what channels have read since, least and most. */
  private woke?: Woke;
  /** The last cycle in which nothing came about. */
  private nap?: Nap;
  private readonly seen = new Map<string, { least: number; most: number }>();
  /** The same program without sleep. */
  private readonly sleepless: Design;

  constructor(
    design: Design,
    private readonly course: CoSimulation,
  ) {
    const { sleep: _its, ...controller } = design.controller;
    this.sleepless = { ...design, controller };
  }

  /** A channel was read: what without noise. */
  see(channel: string, value: number): void {
    const { least = value, most = value } = this.seen.get(channel) ?? {};
    this.seen.set(channel, { least: Math.min(least, value), most: Math.max(most, value) });
  }

  /** Something else was gone over. */
  forget(): void {
    this.woke = undefined;
    this.seen.clear();
  }

  /** Goes over what can be gone over, at the moment at which the controller has woken. */
  look(t: number, run: Sleeper): GoneOver | undefined {
    const { woke, course } = this;
    const readers = run.readers(t);
    const now = (this.woke = this.wakes(t, run, readers));
    const same = [...this.seen.values()].every(({ least, most }) => most - least < sameCount);
    this.seen.clear();
    if (!now) return undefined;
    if (woke && same) this.nap = this.since(woke, now, run, readers) ?? this.nap;
    const { nap } = this;
    if (!nap || !course.repeats?.isLike(nap) || !standsAt(nap.drawn, run.traces)) return undefined;
    const { period } = nap;
    const room = this.room(nap, t, run, course.repeats.most(nap));
    const until = t + (room + 1) * period;
    if (!(room >= 1) || !course.hasSameStimuliAt([t, (t + until) / 2, until - 1e-6]))
      return undefined;
    const { times, channels } = readCycles(readers, run.logic.channels, nap, t, room);
    if (times === 0) return undefined;
    for (const trace of run.traces)
      for (let k = 0; k < times; k++) drawAgain(trace, nap.pieces.get(trace), t + k * period);
    course.repeat(nap, times);
    this.woke = undefined;
    return { times, from: t, period, asleep: nap.asleep, readers, channels };
  }

  /** In how many cycles from a moment on nothing comes about, nor at the end of the last, at which it wakes again. */
  private room({ period, asleep }: Nap, t: number, run: Sleeper, most: number): number {
    const quiet = Math.min(run.quietUntil(t), this.course.ends(run.logic, t));
    const last = Math.min(Math.floor(most), Math.ceil((quiet - t) / period - sameShare) - 1);
    let cycles = 0;
    while (cycles < last) {
      const begins = t + cycles * period;
      const away = (dueAwake(this.sleepless, run.logic, begins) - begins) / period;
      // What is due while it sleeps waits until it wakes, if it is still due then.
      const whole = Math.floor(away + sameShare);
      if (whole >= last) return last;
      cycles += whole;
      if ((away - whole) * period <= asleep) return away - whole < sameShare ? cycles - 1 : cycles;
      cycles += 1;
    }
    return last;
  }

  /** The cycle that has ended now, if nothing came about in it and the circuit has come back. */
  private since(
    woke: Woke,
    now: Woke,
    run: Sleeper,
    readers: readonly CycleReader[],
  ): Nap | undefined {
    const { repeats } = this.course;
    if (woke.happened !== now.happened || !repeats?.isAt(woke.standing)) return undefined;
    // What happened while it slept, and a message that was still under way, are in this cycle alone.
    if (run.quietUntil(woke.t) < now.t || this.course.ends(run.logic, woke.t) <= now.t)
      return undefined;
    const asleep = run.fellAsleep - woke.t;
    const cycle = repeats.round(woke.standing, now.standing);
    const readings = readers.map(({ channel, taken }) => ({
      ...{ id: channel.id, times: readIn(channel, asleep, cycle.period) },
      taken: taken - (woke.taken.get(channel.id) ?? 0),
    }));
    if (readings.some(({ times, taken }) => times.length !== taken)) return undefined;
    return {
      ...{ ...cycle, asleep, pieces: piecesSince(woke.lengths, woke.t), drawn: endsOf(run.traces) },
      readings: new Map(readings.map(({ id, times }) => [id, times])),
    };
  }

  /** Where it stands as it wakes, while nothing happens and all goes well. */
  private wakes(t: number, run: Sleeper, readers: readonly CycleReader[]): Woke | undefined {
    const { standing } = this.course;
    if (!standing || !run.fine || !(run.quietUntil(t) > t)) return undefined;
    const traces = [...run.traces, ...readers.map((r) => r.trace)];
    const lengths = lengthsOf(traces);
    const taken = new Map(readers.map((r) => [r.channel.id, r.taken]));
    return { t, standing, happened: run.happened, lengths, taken };
  }
}

/** The program after so many cycles, as it was after this one. */
export function laterBy(logic: LogicState, { times, period, channels }: GoneOver): LogicState {
  const later = times * period;
  const { awake, next } = logic;
  const { since, until, wakes } = awake;
  return {
    ...{ ...logic, channels, next: next < since + period ? next + later : next },
    awake: { ...awake, since: since + later, until: until + later, wakes: wakes + later },
  };
}

/**
 * When a program does something next by the clock, were it awake all the time, s. Nothing is read, and at this moment nothing
 * is due.
 */
function dueAwake(sleepless: Design, logic: LogicState, t: number): number {
  const awake = { ...logic.awake, until: Infinity };
  const [{ next }, events] = stepLogic(sleepless, { ...logic, awake, next: t }, new Map(), t);
  return events.length > 0 ? t : next;
}

/**
 * Takes the readings of cycles that are alike but for noise, until one would change an answer.
 *
 * @param t when the first of them begins: it has been read then
 * @param most how many follow at most
 * @returns how many were gone through, and the channels after them
 */
function readCycles(
  readers: readonly CycleReader[],
  channels: LogicState['channels'],
  { pieces, period, readings }: Nap,
  t: number,
  most: number,
): { times: number; channels: LogicState['channels'] } {
  const after = { ...channels };
  let times = 0;
  for (; times < most; times++) {
    const begins = t + times * period;
    const cycle = readers.map((reader) => {
      const state = after[reader.channel.id] ?? restingChannel;
      const moments = readings.get(reader.channel.id) ?? [];
      return { reader, ...goThrough(reader, state, moments, begins) };
    });
    if (!cycle.every(({ same }) => same)) break;
    for (const { reader, state, values } of cycle) {
      // Of many readings some are not taken down.
      const kept = pieces.get(reader.trace)?.times ?? [];
      let k = 0;
      for (const [moment, value] of values) {
        if (!(Math.abs(moment - (kept[k] ?? NaN)) <= sameShare * period)) continue;
        reader.trace.times.push(begins + moment);
        reader.trace.values.push(value);
        k += 1;
      }
      reader.taken += values.length;
      after[reader.channel.id] = state;
    }
  }
  return { times, channels: after };
}

function goThrough(
  { channel, read, taken }: CycleReader,
  begin: ChannelState,
  moments: readonly number[],
  later: number,
): { same: boolean; state: ChannelState; values: [moment: number, value: number][] } {
  let state = begin;
  const values: [number, number][] = [];
  for (const moment of moments) {
    const value = read(taken + values.length);
    state = stepChannel(channel, state, value, moment + later);
    values.push([moment, value]);
    if (state.tripped !== begin.tripped) return { same: false, state, values };
  }
  return { same: true, state, values };
}

/** When a channel is read after a wake: at its turns until it sleeps, and as it wakes again, s. */
function readIn({ every }: Channel, asleep: number, period: number): number[] {
  const turns = Math.floor(asleep / every + sameShare);
  return [...Array.from({ length: turns }, (_, i) => (i + 1) * every), period];
}
