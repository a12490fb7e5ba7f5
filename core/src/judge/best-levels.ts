import type { Channel } from '../design/index.js';
import type { Judgement } from './judgement.js';

/** Levels that a channel can be given. */
export interface Levels {
  /** Counts, or the unit of the channel's baseline. */
  threshold: number;
  hysteresis: number;
}

/**
 * The best line as whole steps of the threshold: a reading beyond it lies beyond the line itself. Where a gap parts
 * the readings, the hysteresis is no wider than the gap, or it would reach into the readings that must clear.
 *
 * @returns undefined where no line parts the readings
 */
export function bestLevels(
  { best, hysteresis }: Pick<Judgement, 'best' | 'hysteresis'>,
  channel: Pick<Channel, 'trips' | 'baseline' | 'hysteresis'>,
): Levels | undefined {
  if (!best) return undefined;
  const below = channel.trips === 'below' && !channel.baseline;
  const threshold = Math.max(0, below ? Math.ceil(best.line) : Math.floor(best.line));
  const wide = hysteresis ?? channel.hysteresis;
  const apart = best.misses.events + best.falses.events === 0;
  return {
    threshold,
    hysteresis: apart ? Math.min(wide, Math.max(1, Math.floor(best.gap))) : wide,
  };
}
