import type { Channel } from '../design/index.js';
import { spreadOf } from '../quantity/index.js';
import type { Side } from './line.js';
import { bothAbove, upperTail } from './normal.js';

/** What a quiet channel does by itself, from readings in the order in which they were taken. */
export interface Noise {
  readings: number;
  mean: number;
  /** Standard deviation, counts. */
  sd: number;
  /** Between one reading and the next, −1 … 1. */
  correlation: number;
  /** So many independent readings would tell as much: n·(1 − r)/(1 + r), as for a first-order process. */
  independent: number;
}

/** From fewer readings no rate of false triggers is told: their spread is hardly known (common practice). */
export const enoughForRate = 10;

/**
 * @throws RangeError for fewer than two readings
 *
 * @example noiseOf([1, 2, 3, 4]).sd // 1.29099
 */
export function noiseOf(counts: readonly number[]): Noise {
  const n = counts.length;
  if (n < 2) throw new RangeError('Noise can be told from two readings or more.');
  const { mean, sd } = spreadOf(counts);
  const off = counts.map((c) => c - mean);
  const squares = (n - 1) * sd ** 2;
  const next = off.reduce((sum, d, i) => sum + d * (off[i - 1] ?? 0), 0);
  const correlation = squares > 0 ? next / squares : 0;
  const r = Math.max(0, correlation);
  const independent = Math.max(1, (n * (1 - r)) / (1 + r));
  return { readings: n, mean, sd, correlation, independent };
}

/**
 * False triggers a second from normal noise: the readings pass the line for the first time and then stay
 * beyond it for the hits wanted. Readings are taken to depend on the one before only, which is exact for one hit;
 * hysteresis makes them rarer, never more frequent.
 *
 * @param noise with the correlation at the channel's own sampling
 */
export function falseTriggers(
  { mean, sd, correlation }: Pick<Noise, 'mean' | 'sd' | 'correlation'>,
  {
    trips,
    threshold,
    hits,
    every,
  }: Pick<Channel, 'threshold' | 'hits' | 'every'> & { trips: Side },
): number {
  const away = (trips === 'above' ? 1 : -1) * (threshold - mean);
  if (sd === 0) return 0;
  const beyond = upperTail(away / sd);
  if (beyond === 0) return 0;
  const twice = Math.min(beyond, bothAbove(away / sd, correlation));
  return ((beyond - twice) * (twice / beyond) ** (hits - 1)) / every;
}

/**
 * Hysteresis that six standard deviations of noise do not bridge, counts (common practice).
 *
 * @example hysteresisFor({ sd: 2 }) // 12
 */
export const hysteresisFor = ({ sd }: Pick<Noise, 'sd'>): number => Math.ceil(6 * sd);
