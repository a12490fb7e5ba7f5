import type { Channel, Design } from '../design/index.js';
import {
  restingChannel,
  stepChannel,
  stepLogic,
  type ChannelState,
  type LogicState,
} from '../logic/index.js';
import type { CoSimulation } from './co-simulation.js';
import type { Standing } from './repeats.js';
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
  /** What is taken down besides readings. */
  readonly traces: readonly Trace[];
  /** Until when nothing happens and its controller goes on as it does, s. */
  quietUntil(t: number): number;
  readers(t: number): CycleReader[];
}

/** Cycles like the last that were gone over. */
export interface GoneOver {
  times: number;
  from: number;
  period: number;
  readers: readonly CycleReader[];
  channels: LogicState['channels'];
}

/** Where a run stood as its controller woke. */
interface Woke {
  t: number;
  standing: Standing;
  happened: string;
  /** How long traces were. */
  lengths: ReadonlyMap<Trace, number>;
}

/** Readings of a cycle that are no farther apart than this are one, counts. */
const sameCount = 0.02;

/** Cycles of sleep: where one is like the last, those that follow are gone over at once, but for what is read in them. */
export class SleepCycles {
  /** Where it stood as the controller woke last, and what channels have read since, least and most. */
  private woke?: Woke;
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

  /** Goes over what can be gone over, at the moment at which the controller has woken. */
  look(t: number, run: Sleeper): GoneOver | undefined {
    const { woke, course } = this;
    const readers = run.readers(t);
    this.woke = this.wakes(t, run, readers);
    const same = [...this.seen.values()].every(({ least, most }) => most - least < sameCount);
    this.seen.clear();
    if (!woke || woke.happened !== this.woke?.happened || !same) return undefined;
    // What happened while it slept, and a message that was still under way, are in the last cycle alone.
    if (run.quietUntil(woke.t) < t || course.ends(run.logic, woke.t) <= t) return undefined;
    const until = Math.min(
      ...[run.quietUntil(t), course.ends(run.logic, t)],
      dueAwake(this.sleepless, run.logic, t),
    );
    const period = t - woke.t;
    const room = Math.min(
      Math.floor((until - t) / period) - 1,
      course.repeats?.most(woke.standing) ?? 0,
    );
    if (!(room > 1) || !course.hasSameStimuliAt([t, (t + until) / 2, until - 1e-6]))
      return undefined;
    const last = { from: woke.t, t, lengths: woke.lengths };
    const { times, channels } = readCycles(readers, run.logic.channels, last, Math.floor(room));
    if (times === 0) return undefined;
    for (const trace of run.traces)
      repeatTrace(trace, woke.lengths.get(trace) ?? trace.times.length, period, times);
    course.repeat(woke.standing, times);
    this.woke = undefined;
    return { times, from: woke.t, period, readers, channels };
  }

  /** Where it stands as it wakes, while nothing happens and all goes well. */
  private wakes(t: number, run: Sleeper, readers: readonly CycleReader[]): Woke | undefined {
    const { standing } = this.course;
    if (!standing || !run.fine || !(run.quietUntil(t) > t)) return undefined;
    const traces = [...run.traces, ...readers.map((r) => r.trace)];
    const lengths = new Map(traces.map((trace) => [trace, trace.times.length]));
    return { t, standing, happened: run.happened, lengths };
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
 * @param last when the last cycle began and this one does: its readings are those between, this one's included
 * @param most how many cycles follow at most
 * @returns how many were gone through, and the channels after them
 */
function readCycles(
  readers: readonly CycleReader[],
  channels: LogicState['channels'],
  last: { from: number; t: number; lengths: ReadonlyMap<Trace, number> },
  most: number,
): { times: number; channels: LogicState['channels'] } {
  const { from, t, lengths } = last;
  const period = t - from;
  const after = { ...channels };
  const rows = readers.map((reader) => ({
    reader,
    moments: reader.trace.times.slice(lengths.get(reader.trace)),
  }));
  let times = 0;
  for (; times < most; times++) {
    const later = (times + 1) * period;
    const cycle = rows.map(({ reader, moments }) => {
      const begin = after[reader.channel.id] ?? restingChannel;
      return { reader, moments, ...goThrough(reader, begin, moments, later) };
    });
    if (!cycle.every(({ same }) => same)) break;
    for (const { reader, moments, state, kept } of cycle) {
      moments.forEach((moment) => reader.trace.times.push(moment + later));
      reader.trace.values.push(...kept);
      reader.taken += kept.length;
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
): { same: boolean; state: ChannelState; kept: number[] } {
  let state = begin;
  const kept: number[] = [];
  for (const moment of moments) {
    const value = read(taken + kept.length);
    state = stepChannel(channel, state, value, moment + later);
    kept.push(value);
    if (state.tripped !== begin.tripped) return { same: false, state, kept };
  }
  return { same: true, state, kept };
}

/** What a trace took down in one cycle is taken down in each that follows. */
function repeatTrace(trace: Trace, from: number, period: number, times: number): void {
  const [moments, values] = [trace.times.slice(from), trace.values.slice(from)];
  for (let k = 1; k <= times; k++) {
    moments.forEach((moment) => trace.times.push(moment + k * period));
    trace.values.push(...values);
  }
}
