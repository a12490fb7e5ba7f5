import type { Channel } from '../design/index.js';
import { reached } from '../quantity/index.js';
import {
  baselineCounts,
  isLearnt,
  restingBaseline,
  stepBaseline,
  type BaselineState,
} from './baseline.js';
import { stepFilter, type FilterState } from './filter.js';
import { back, beyond, levelsOf } from './levels.js';

/** What a channel remembers between readings. */
export interface ChannelState {
  /** What rules are told. */
  tripped: boolean;
  /** Beyond its level, by hits and misses in a row. */
  on: boolean;
  /** The same, stretched; before inversion. */
  answer: boolean;
  /** Readings in a row that speak for the other state. */
  run: number;
  /** The last reading, counts. */
  counts: number;
  /** What the filter made of it; undefined before the first reading. */
  value: number | undefined;
  window: FilterState;
  baseline: BaselineState;
  /** When the last reading was taken, s. */
  at: number;
  /** Until when the answer is stretched, s. */
  until: number;
  /** Until when it cannot trip again, s. */
  locked: number;
}

export const restingChannel: ChannelState = {
  tripped: false,
  on: false,
  answer: false,
  run: 0,
  counts: 0,
  value: undefined,
  window: [],
  baseline: restingBaseline,
  at: 0,
  until: 0,
  locked: 0,
};

/**
 * Takes one reading into account, in the order that docs/rules.md gives: filter, baseline, level with
 * hysteresis, hits or misses in a row, lock-out, stretch, inversion.
 *
 * @param t when it was taken, s; not before the reading before
 */
export function stepChannel(
  channel: Channel,
  state: ChannelState,
  counts: number,
  t: number,
): ChannelState {
  const { value, state: window } = stepFilter(channel.filter, state.window, counts);
  const known = isLearnt(channel.baseline, state.baseline);
  const { on, run } = known ? decide(channel, state, value, t) : { on: false, run: 0 };
  const baseline = stepBaseline(channel.baseline, state.baseline, value, t - state.at, on);
  const until = on && !state.on ? t + (channel.stretch ?? 0) : state.until;
  const answer = on || !reached(t, until);
  const locked = state.answer && !answer ? t + (channel.lockOut ?? 0) : state.locked;
  const tripped = known && answer !== (channel.invert ?? false);
  return { tripped, on, answer, run, counts, value, window, baseline, at: t, until, locked };
}

/**
 * The states of a channel after each of some readings.
 *
 * @param times s, ascending
 */
export function* channelCourse(
  channel: Channel,
  start: ChannelState,
  times: readonly number[],
  counts: readonly number[],
): Generator<ChannelState> {
  let state = start;
  for (const [i, t] of times.entries())
    yield (state = stepChannel(channel, state, counts[i] ?? NaN, t));
}

/** On or off after the reading, and how many in a row speak for the other. */
function decide(
  channel: Channel,
  state: ChannelState,
  value: number,
  t: number,
): { on: boolean; run: number } {
  const levels = levelsOf(channel, baselineCounts(channel.baseline, state.baseline));
  const speaks = state.on
    ? levels.every((l) => back(l, value))
    : reached(t, state.locked) && levels.some((l) => beyond(l, value));
  const run = speaks ? state.run + 1 : 0;
  const needed = state.on ? channel.misses : channel.hits;
  return run >= needed ? { on: !state.on, run: 0 } : { on: state.on, run };
}
