import { kindOfCondition } from '../condition/index.js';
import type { Channel, Condition } from '../design/index.js';
import {
  baselineCounts,
  channelCourse,
  isLearnt,
  levelsOf,
  restingChannel,
  type ChannelState,
  type Level,
  type LogicState,
} from '../logic/index.js';
import { remembersLast, tail } from './quiescent.js';
import { countUpTo, emptyTrace, type LogicChange } from './traces.js';
import type { Recorded } from './verdict.js';

/** A stretch of a scene, s. */
export interface Stretch {
  from: number;
  to: number;
}

/** What of the controller was the case in a stretch, and what came about in it. */
export function* statesIn(
  log: readonly LogicChange[],
  { from, to }: Stretch,
): Generator<LogicChange> {
  for (const [i, change] of log.entries()) {
    const until = log[i + 1]?.t ?? Infinity;
    if (until > from && change.t <= to) yield change;
  }
}

/** When a channel began to answer yes in a stretch, s. */
export function beginnings(
  log: readonly LogicChange[],
  channel: string,
  { from, to }: Stretch,
): number[] {
  return log.flatMap(({ t, events }) => {
    const began = events.some((e) => e.kind === 'channel' && e.id === channel && e.begins);
    return began && t >= from && t <= to ? [t] : [];
  });
}

/** The longest a channel answered yes in a stretch, s. */
export function longestYes(
  log: readonly LogicChange[],
  channel: string,
  { from, to }: Stretch,
): number {
  let longest = 0;
  let since: number | undefined;
  log.forEach(({ t, logic }, i) => {
    const yes = logic.channels[channel]?.tripped ?? false;
    const end = Math.min(to, log[i + 1]?.t ?? to);
    if (!yes) since = undefined;
    else if (end > from) {
      since ??= t;
      longest = Math.max(longest, end - since);
    }
  });
  return longest;
}

/** Whether a condition on answers, modes and counts held at some moment of a stretch; undefined for others. */
export function holdsDuring(
  log: readonly LogicChange[],
  condition: Condition,
  stretch: Stretch,
): boolean | undefined {
  const states = [...statesIn(log, stretch)].map(({ logic }) => holdsNow(condition, logic));
  return states.includes(undefined) ? undefined : states.some(Boolean);
}

/** By answers, modes and counts alone. */
function holdsNow(condition: Condition, logic: LogicState): boolean | undefined {
  const kind = kindOfCondition(condition);
  const channel = kind.answers?.(condition);
  if (channel !== undefined) return logic.channels[channel]?.tripped ?? false;
  let known = kind.told !== undefined;
  const holds = kind.told?.(condition, {
    holds: (part) => {
      const now = holdsNow(part, logic);
      known &&= now !== undefined;
      return now ?? false;
    },
    mode: (machine) => logic.modes[machine]?.mode,
    count: (counter) => logic.counters[counter] ?? 0,
  });
  return known ? holds : undefined;
}

/** How near a channel came to tripping in a stretch. */
export interface Nearest {
  readings: number;
  /** It had no baseline yet. */
  learning: boolean;
  level: Level;
  value: number;
  /** How far the best reading lay past the line, counts; below 0 it did not reach it. */
  by: number;
  /** Readings in a row past the line, at most. */
  row: number;
  /** Of those some came while it was locked out. */
  locked: boolean;
}

/** @returns undefined when it took no reading in that time */
export function nearest(channel: Channel, record: Recorded, stretch: Stretch): Nearest | undefined {
  const states = statesOf(channel, record, stretch);
  if (states.length === 0) return undefined;
  const past = states.map((s) => pastLevel(channel, s));
  const best = past.reduce((a, b) => (b.by > a.by ? b : a));
  let [row, run] = [0, 0];
  for (const { by } of past) {
    run = by > 0 ? run + 1 : 0;
    row = Math.max(row, run);
  }
  return {
    readings: states.length,
    learning: states.every((s) => !isLearnt(channel.baseline, s.baseline)),
    ...best,
    row,
    locked: states.some((s) => s.at < s.locked && pastLevel(channel, s).by > 0),
  };
}

/** The states of a channel at its readings in a stretch, from where it was last known before. */
function statesOf(
  channel: Channel,
  { readings, logic }: Pick<Recorded, 'readings' | 'logic'>,
  { from, to }: Stretch,
): ChannelState[] {
  const { times, values } = readings[channel.id] ?? emptyTrace();
  const known = logic[Math.max(0, countUpTo(logic, from, (change) => change.t) - 1)];
  const start = known?.logic.channels[channel.id] ?? restingChannel;
  const until = (t: number): number => countUpTo(times, t, (time) => time);
  const [first, end] = [until(from - 1e-9), until(to)];
  const since = until(known && known.t > 0 ? start.at : -Infinity);
  const begin = remembersLast(channel, start) ? Math.max(since, first - tail(channel)) : since;
  const course = channelCourse(channel, start, times.slice(begin, end), values.slice(begin, end));
  return [...course].slice(Math.max(0, first - begin));
}

/** The level that a reading came nearest to, and by how much it passed it, counts; below 0 it did not. */
function pastLevel(
  channel: Channel,
  { value = 0, baseline }: ChannelState,
): { level: Level; value: number; by: number } {
  const from = baselineCounts(channel.baseline, baseline);
  return levelsOf(channel, from)
    .map((level) => ({
      level,
      value,
      by: level.side === 'above' ? value - level.trip : level.trip - value,
    }))
    .reduce((a, b) => (b.by > a.by ? b : a));
}
