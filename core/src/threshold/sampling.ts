import type { Channel } from '../design/index.js';

type Pace = Pick<Channel, 'every' | 'hits'>;

/**
 * Chance that an event of a length is missed because too few readings fall into it: it begins at any moment
 * between two readings, so n readings every T lie in it with chance (d − (n − 1)·T)/T, at most 1 (closed form).
 *
 * @param lasts s
 * @returns 0 … 1
 * @example missChance(1, { every: 4, hits: 1 }) // 0.75
 */
export function missChance(lasts: number, { every, hits }: Pace): number {
  return 1 - Math.min(1, Math.max(0, (lasts - (hits - 1) * every) / every));
}

/**
 * The longest time between readings at which an event of a length is never missed: d/n, s.
 *
 * @example slowestReading(3, { hits: 3 }) // 1
 */
export const slowestReading = (lasts: number, { hits }: Pick<Pace, 'hits'>): number => lasts / hits;

/**
 * How long after an event begins the channel knows it, at worst: n·T, s.
 *
 * @example slowestAnswer({ every: 0.1, hits: 3 }) // 0.3
 */
export const slowestAnswer = ({ every, hits }: Pace): number => hits * every;
