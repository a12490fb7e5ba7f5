import type { Channel } from '../design/index.js';

type Lines = Pick<Channel, 'trips' | 'threshold' | 'hysteresis' | 'baseline'>;

/** A line with the side on which a channel trips, and where it clears again, counts. */
export interface Level {
  side: 'above' | 'below';
  trip: number;
  clear: number;
}

/**
 * The levels of a channel in counts: one, or two for a channel that trips away from its baseline.
 *
 * @param from where its baseline stands; without one, thresholds are counts themselves
 */
export function levelsOf(channel: Lines, from: number | undefined): [Level, ...Level[]] {
  const { trips, threshold, hysteresis } = channel;
  const one = unitOf(channel, from);
  const level = (side: 'above' | 'below'): Level => {
    const sign = side === 'above' ? 1 : -1;
    const base = from ?? 0;
    // Without a baseline the threshold is a count, not a distance.
    const trip = from === undefined ? threshold : base + sign * threshold * one;
    return { side, trip, clear: trip - sign * hysteresis * one };
  };
  return trips === 'away' ? [level('below'), level('above')] : [level(trips)];
}

/** Counts that one step of the threshold stands for. */
export function unitOf({ baseline }: Pick<Channel, 'baseline'>, from: number | undefined): number {
  const share = baseline?.kind === 'learnt' && baseline.unit === 'per cent';
  return share ? Math.abs(from ?? 0) / 100 : 1;
}

/** Whether a reading lies beyond a line: exactly on it is not beyond. */
export const beyond = ({ side, trip }: Level, counts: number): boolean =>
  side === 'above' ? counts > trip : counts < trip;

/** Whether a reading has come back past the line at which a channel clears. */
export const back = ({ side, clear }: Level, counts: number): boolean =>
  side === 'above' ? counts < clear : counts > clear;

/** The levels of a channel whose reading at rest is known: a learnt baseline then stands there. */
export const levelsAtRest = (channel: Lines, rest: number): [Level, ...Level[]] =>
  levelsOf(
    channel,
    channel.baseline?.kind === 'fixed' ? channel.baseline.counts : channel.baseline && rest,
  );
