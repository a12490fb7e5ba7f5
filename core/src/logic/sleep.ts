import type { Channel, Sleep } from '../design/index.js';
import { reached } from '../quantity/index.js';
import type { Awake, LogicState } from './state.js';

/** Awake again: something was read, or its time has come. */
export function wake(sleep: Sleep | undefined, awake: Awake, reads: boolean, t: number): Awake {
  if (!sleep || !awake.asleep || (!reads && !reached(t, awake.wakes))) return awake;
  return { since: t, until: t + sleep.awake, asleep: false, wakes: t };
}

/** Goes to sleep when its time is over and nothing keeps it awake; it wakes on whole multiples since it woke last. */
export function fallAsleep(
  sleep: Sleep | undefined,
  awake: Awake,
  kept: boolean,
  t: number,
): Awake {
  if (!sleep || awake.asleep || kept || !reached(t, awake.until)) return awake;
  const turns = Math.floor((t - awake.since) / sleep.every + 1e-6) + 1;
  return { ...awake, asleep: true, wakes: awake.since + turns * sleep.every };
}

/**
 * When a channel takes its next reading after `t`: on whole multiples of its period from the reset or, for a
 * controller that sleeps, from when it last woke; all channels are read on waking.
 */
export function nextReading(
  { awake }: Pick<LogicState, 'awake'>,
  { every }: Pick<Channel, 'every'>,
  t: number,
): number {
  if (awake.asleep) return awake.wakes;
  const turns = Math.floor((t - awake.since) / every + 1e-6) + 1;
  return awake.since + turns * every;
}

/** Whether a channel is to be read at a moment, also after rounding. */
export function isDue(
  { awake }: Pick<LogicState, 'awake'>,
  { every }: Pick<Channel, 'every'>,
  t: number,
): boolean {
  if (awake.asleep) return reached(t, awake.wakes);
  const turns = (t - awake.since) / every;
  return Math.abs(turns - Math.round(turns)) < 1e-6;
}
