import type { Channel } from '../design/index.js';
import { channelCourse, restingChannel, type ChannelState } from '../logic/index.js';

/** A reading that rests and then changes by a straight line. */
export interface Ramp {
  /** Counts before it, and how far it goes in the end. */
  rest: number;
  by: number;
  /** s. */
  lasts: number;
}

/** How a channel takes a ramp. */
export interface Ridden {
  times: number[];
  counts: number[];
  /** Where the baseline stands, counts. */
  baseline: (number | undefined)[];
  /** When it first trips, s from the beginning of the ramp. */
  tripped?: number;
}

/** Time before the ramp in which the baseline is learnt, in readings. */
const before = 50;
/** After it the channel has so long to answer, in readings. */
const after = 200;
/** More readings than this are thinned before they are looked at. */
const most = 200_000;

/** The channel reading a ramp, reading for reading; nothing is noisy. */
export function ride(channel: Channel, { rest, by, lasts }: Ramp): Ridden {
  const start: ChannelState = restingChannel;
  const learn = channel.baseline?.kind === 'learnt' ? channel.baseline.learn : 0;
  const still = before + learn;
  const rising = Math.min(most, Math.max(1, Math.round(lasts / channel.every)));
  const every = lasts / rising;
  const n = still + rising + after;
  const times = Array.from({ length: n }, (_, i) => (i - still) * every);
  const counts = times.map((t) => Math.round(rest + by * Math.min(1, Math.max(0, t / lasts))));
  const states = [...channelCourse({ ...channel, every }, start, times, counts)];
  const hit = states.findIndex((s) => s.on);
  return {
    times,
    counts,
    baseline: states.map((s) => s.baseline.counts),
    ...(hit >= 0 ? { tripped: times[hit] } : {}),
  };
}

/**
 * The slowest change of a size that a channel still notices: a slower one takes its baseline along. Found by halving
 * to 1 % of itself.
 *
 * @returns s; Infinity when it notices however slow, 0 when not even a step
 */
export function slowestNoticed(channel: Channel, rest: number, by: number): number {
  const notices = (lasts: number): boolean =>
    ride(channel, { rest, by, lasts }).tripped !== undefined;
  const follow = channel.baseline?.kind === 'learnt' ? channel.baseline.follow : 0;
  if (!notices(channel.every)) return 0;
  if (follow === 0) return Infinity;
  let [low, high] = [channel.every, 1000 * follow];
  if (notices(high)) return Infinity;
  while (high / low > 1.01) {
    const middle = Math.sqrt(low * high);
    if (notices(middle)) low = middle;
    else high = middle;
  }
  return low;
}

/**
 * The steady drift at which a following baseline lags behind by just the threshold, counts a second: threshold/τ
 * (steady state of a first-order lag under a ramp, closed form). 0 for a baseline that does not follow: any drift
 * reaches the line in the end.
 */
export function driftBorne(channel: Channel, thresholdCounts: number): number {
  const follow = channel.baseline?.kind === 'learnt' ? channel.baseline.follow : 0;
  return follow > 0 ? thresholdCounts / follow : 0;
}
