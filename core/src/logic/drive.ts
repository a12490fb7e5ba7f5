import type { Amount, Drive, Output } from '../design/index.js';
import { reached } from '../quantity/index.js';
import type { LogicState, OutputState } from './state.js';

/** What amounts are taken from. */
export type Sources = Pick<LogicState, 'counters' | 'channels'>;

/** What an output is asked for, and until when it stays so if nothing else changes, s. */
export interface Asked {
  level: number;
  due: number;
}

const between = (value: number): number => Math.min(1, Math.max(0, value));

/** The share of full that an amount stands for, 0 … 1. */
export function share(amount: Amount, { counters, channels }: Sources): number {
  if (typeof amount === 'number') return between(amount);
  if ('counter' in amount) return between((counters[amount.counter] ?? 0) / amount.of);
  const value = channels[amount.channel]?.value ?? amount.from;
  return between((value - amount.from) / (amount.to - amount.from));
}

/**
 * What a drive asks for.
 *
 * @param since when it began, s: beats are counted from there
 */
export function ask(drive: Drive, since: number, t: number, sources: Sources): Asked {
  if (drive.as === 'on') return { level: 1, due: Infinity };
  if (drive.as === 'off') return { level: 0, due: Infinity };
  if (drive.as === 'level') return { level: share(drive.level, sources), due: Infinity };
  return beatAt(drive, since, t, sources);
}

/** Where in its beats a pattern is: on in the first, third … of them. */
function beatAt(
  { beats, times, pause }: Extract<Drive, { as: 'pattern' }>,
  since: number,
  t: number,
  { counters }: Sources,
): Asked {
  const round = beats.reduce((sum, beat) => sum + beat, 0);
  const wanted = typeof times === 'object' ? (counters[times.counter] ?? 0) : (times ?? Infinity);
  if (!(round > 0) || wanted <= 0) return { level: 0, due: Infinity };
  const played = wanted * round;
  const cycle = pause !== undefined && wanted < Infinity ? played + pause : Infinity;
  const turn = cycle < Infinity ? passed(t, since, cycle) : 0;
  const begin = turn > 0 ? since + turn * cycle : since;
  if (wanted < Infinity && reached(t, begin + played)) {
    return { level: 0, due: cycle < Infinity ? since + (turn + 1) * cycle : Infinity };
  }
  const lap = passed(t, begin, round);
  let end = begin + lap * round;
  for (const [i, beat] of beats.entries()) {
    end += beat;
    if (!reached(t, end)) return { level: i % 2 === 0 ? 1 : 0, due: end };
  }
  return { level: 1, due: begin + (lap + 1) * round + (beats[0] ?? 0) };
}

/** How many whole rounds have passed since a moment, so that a pass due at the end of one finds it over. */
function passed(t: number, since: number, round: number): number {
  const whole = Math.max(0, Math.floor((t - since) / round));
  return reached(t, since + (whole + 1) * round) ? whole + 1 : whole;
}

/** Where an output is on its way, share of full, before its curve. */
export function levelAt(output: Output, state: OutputState, t: number): number {
  const { level, target, at } = state;
  const { fade } = output;
  if (!fade || reached(t, arrival(output, state))) return target;
  const seconds = target > level ? fade.up : fade.down;
  const way = (t - at) / seconds;
  return target > level ? Math.min(target, level + way) : Math.max(target, level - way);
}

/** When an output arrives at its target, s. */
export function arrival({ fade }: Output, { level, target, at }: OutputState): number {
  if (!fade || level === target) return at;
  return at + Math.abs(target - level) * (target > level ? fade.up : fade.down);
}

/**
 * Share of the time a pin is on: the level itself, or for the eye the luminance that looks so bright, after
 * the lightness of CIE 1976 (L* = 100·level).
 */
export function duty(output: Output, state: OutputState, t: number): number {
  const level = levelAt(output, state, t);
  return output.fade?.curve === 'eye' ? lightnessDuty(level) : level;
}

/** Share of full luminance that looks as bright as a level, by the lightness of CIE 1976. */
export function lightnessDuty(level: number): number {
  const lightness = 100 * level;
  return lightness <= 8 ? lightness / 903.2963 : ((lightness + 16) / 116) ** 3;
}
