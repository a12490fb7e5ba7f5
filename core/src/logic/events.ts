import type { Condition } from '../design/index.js';
import type { ChannelState } from './channel-step.js';
import type { Look, Memory } from './condition.js';

type Of<K extends Condition['is']> = Extract<Condition, { is: K }>;

/** Of two that may begin one after the other: which did, and when. */
export interface Pair {
  was: readonly boolean[];
  first?: 0 | 1;
  at?: number;
}

/**
 * A then B within t. Of the two, the one that began first is remembered; when the other begins in time the
 * order is known, and both are forgotten. Both beginning in the same look tell no order.
 */
export function thenOf(
  { within }: Of<'then'>,
  now: readonly boolean[],
  { pair }: Memory,
  t: number,
): Look {
  const was = pair?.was ?? now;
  const begins = [now[0] && !was[0], now[1] && !was[1]];
  const alive = pair?.at !== undefined && t - pair.at <= within ? pair : undefined;
  const forgotten: Look = { holds: false, memory: { pair: { was: [...now] } } };
  if (begins[0] === begins[1]) {
    if (begins[0] || !alive) return forgotten;
    return { holds: false, memory: { pair: { ...alive, was: [...now] } } };
  }
  const which = begins[0] ? 0 : 1;
  if (alive && alive.first !== which) return { ...forgotten, holds: which === 1 };
  return { holds: false, memory: { pair: { was: [...now], first: which, at: t } } };
}

/** What a channel that is pressed has done so far. */
export interface Presses {
  down: boolean;
  /** When it went down, s. */
  at: number;
  /** It has been told as long already, or belongs to a double press. */
  told: boolean;
  /** When a short press ended that may still become a double one, s. */
  short?: number;
}

/**
 * Short: up again before `long`, and for double presses no second one within `gap`. Long: told while it is
 * still down. Double: the second of two short presses goes down within `gap` after the first went up.
 */
export function pressed(
  { press, long, gap }: Of<'press'>,
  down: boolean,
  { presses }: Memory,
  t: number,
): Look {
  const before = presses ?? { down, at: t, told: true };
  const { next, event } = pressStep(before, down, { long, gap }, t);
  const due = next.down && !next.told ? next.at + long : (next.short ?? Infinity) + gap;
  return {
    holds: event === press,
    memory: { presses: next, ...(due < Infinity ? { due } : {}) },
  };
}

function pressStep(
  before: Presses,
  down: boolean,
  { long, gap }: { long: number; gap: number },
  t: number,
): { next: Presses; event?: 'short' | 'long' | 'double' } {
  const waiting = before.short !== undefined && t < before.short + gap;
  if (down && !before.down) {
    if (waiting) return { next: { down, at: t, told: true }, event: 'double' };
    const late = before.short === undefined ? {} : { event: 'short' as const };
    return { next: { down, at: t, told: false }, ...late };
  }
  if (down) {
    const isLong = !before.told && t >= before.at + long;
    return isLong ? { next: { ...before, told: true }, event: 'long' } : { next: before };
  }
  if (before.down) {
    const isShort = !before.told;
    const next = { down, at: before.at, told: true };
    if (!isShort) return { next };
    return gap > 0 ? { next: { ...next, short: t } } : { next, event: 'short' };
  }
  if (before.short === undefined || waiting) return { next: { ...before, down } };
  return { next: { down, at: before.at, told: true }, event: 'short' };
}

/** Moments with values, or without, that still count. */
export interface Course {
  times: readonly number[];
  values: readonly number[];
  was?: boolean;
}

/** Whether the filtered reading has moved by so many counts since the least, or most, of the last `over` seconds. */
export function moved(
  { by, over }: Of<'changes'>,
  channel: ChannelState | undefined,
  { course }: Memory,
): Look {
  if (channel?.value === undefined) return { holds: false, memory: {} };
  const { value, at } = channel;
  const last = course?.times[course.times.length - 1];
  const old = course ?? { times: [], values: [] };
  const from = old.times.findIndex((time) => time >= at - over);
  const kept =
    from < 0
      ? { times: [], values: [] }
      : { times: old.times.slice(from), values: old.values.slice(from) };
  const next = last === at ? kept : { times: [...kept.times, at], values: [...kept.values, value] };
  const since = by > 0 ? Math.min(...next.values) : Math.max(...next.values);
  return { holds: by > 0 ? value - since >= by : value - since <= by, memory: { course: next } };
}

/** How often a channel has begun to answer yes in the last `over` seconds, as a frequency between two. */
export function flickers(
  { from, to, over }: Of<'flickers'>,
  answer: boolean,
  { course }: Memory,
  t: number,
): Look {
  const begun = answer && course?.was === false;
  const kept = (course?.times ?? []).filter((time) => t < time + over);
  const times = begun ? [...kept, t] : kept;
  const hertz = times.length / over;
  const due = times.length > 0 ? { due: times[0] + over } : {};
  return {
    holds: hertz >= from && hertz <= to,
    memory: { course: { times, values: [], was: answer }, ...due },
  };
}
