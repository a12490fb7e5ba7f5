import type { Channel } from '../design/index.js';

/** What a channel remembers between readings. */
export interface ChannelState {
  tripped: boolean;
  /** Readings in a row that speak for the other state. */
  run: number;
  /** The last reading, counts. */
  counts: number;
}

export const restingChannel: ChannelState = { tripped: false, run: 0, counts: 0 };

/** The count at which a tripped channel clears again. */
export const clearLevel = (c: Pick<Channel, 'trips' | 'threshold' | 'hysteresis'>): number =>
  c.trips === 'above' ? c.threshold - c.hysteresis : c.threshold + c.hysteresis;

/**
 * Takes one reading into account: threshold with hysteresis, then hits or misses in a row.
 * A reading exactly at a level does not pass it.
 */
export function stepChannel(channel: Channel, state: ChannelState, counts: number): ChannelState {
  const sign = channel.trips === 'above' ? 1 : -1;
  const passed = sign * (counts - channel.threshold) > 0;
  const cleared = sign * (counts - clearLevel(channel)) < 0;
  const speaks = state.tripped ? cleared : passed;
  const run = speaks ? state.run + 1 : 0;
  const needed = state.tripped ? channel.misses : channel.hits;
  return run >= needed
    ? { tripped: !state.tripped, run: 0, counts }
    : { tripped: state.tripped, run, counts };
}
