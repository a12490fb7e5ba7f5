import type { Channel } from '../design/index.js';
import { stepFilter, unitOf } from '../logic/index.js';
import type { Readings, Side } from './line.js';

/** Readings as a channel compares them: one value each, beyond its threshold or not. */
export interface Measured {
  /** Where the baseline is taken to stand, counts; undefined without one. */
  from: number | undefined;
  side: Side;
  sets: Readings[];
  /** Counts at a value, on the side above the baseline. */
  countsAt: (value: number) => number;
}

/**
 * Puts readings through a channel's filter and takes them from its baseline. A learnt baseline is taken to
 * stand at the mean of the quiet readings; without any it cannot be told, and nothing is measured.
 */
export function measure(
  channel: Pick<Channel, 'trips' | 'filter' | 'baseline'>,
  sets: readonly Readings[],
): Measured | undefined {
  const filtered = sets.map((set) => ({ ...set, counts: filter(channel, set.counts) }));
  const { baseline, trips } = channel;
  if (!baseline) {
    const side = trips === 'below' ? 'below' : 'above';
    return { from: undefined, side, sets: filtered, countsAt: (value) => value };
  }
  const from =
    baseline.kind === 'fixed'
      ? baseline.counts
      : mean(filtered.filter((s) => s.intent === 'quiet').flatMap((s) => s.counts));
  if (from === undefined) return undefined;
  const one = unitOf(channel, from) || 1;
  const away = (c: number): number =>
    trips === 'above' ? c - from : trips === 'below' ? from - c : Math.abs(c - from);
  return {
    from,
    side: 'above',
    sets: filtered.map((set) => ({ ...set, counts: set.counts.map((c) => away(c) / one) })),
    countsAt: (value) => from + (trips === 'below' ? -1 : 1) * value * one,
  };
}

function filter(
  { filter: by }: Pick<Channel, 'filter'>,
  counts: readonly number[],
): readonly number[] {
  if (!by || by.n <= 1) return counts;
  let state: readonly number[] = [];
  return counts.map((c) => {
    const step = stepFilter(by, state, c);
    state = step.state;
    return step.value;
  });
}

const mean = (values: readonly number[]): number | undefined =>
  values.length === 0 ? undefined : values.reduce((sum, v) => sum + v, 0) / values.length;
