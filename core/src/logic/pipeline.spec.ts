import fc from 'fast-check';
import type { Channel } from '../design/index.js';
import { channelCourse, restingChannel } from './index.js';

/**
 * docs/rules.md read once more, in another way: every answer is worked out from the whole history of readings, with
 * lists and no state carried along but on and off.
 */
function byTheText(
  channel: Channel,
  times: readonly number[],
  counts: readonly number[],
): boolean[] {
  const values = counts.map((_, i) => filtered(channel, counts.slice(0, i + 1)));
  const { baseline, hits, misses, stretch = 0, lockOut = 0, invert = false } = channel;
  const learn = baseline?.kind === 'learnt' ? baseline.learn : 0;
  let [on, wasYes] = [false, false];
  let [wentOn, ended] = [-Infinity, -Infinity];
  const speaks: boolean[] = [];
  let base = baseline?.kind === 'fixed' ? baseline.counts : 0;
  return times.map((t, i) => {
    if (i < learn) {
      speaks.push(false);
      base = mean(values.slice(0, i + 1));
      return false;
    }
    const unit = baseline?.kind === 'learnt' && baseline.unit === 'per cent' ? base / 100 : 1;
    const [far, band] = [channel.threshold * unit, channel.hysteresis * unit];
    const v = values[i];
    const distance = !baseline
      ? channel.trips === 'above'
        ? v - far
        : far - v
      : channel.trips === 'above'
        ? v - base - far
        : channel.trips === 'below'
          ? base - v - far
          : Math.abs(v - base) - far;
    speaks.push(on ? distance < -band : hasCome(t, ended + lockOut) && distance > 0);
    const needed = on ? misses : hits;
    const row = speaks.slice(-needed);
    if (row.length === needed && row.every(Boolean)) {
      on = !on;
      if (on) wentOn = t;
      speaks.length = 0;
    }
    if (baseline?.kind === 'learnt' && baseline.follow > 0 && !(baseline.freeze && on)) {
      const since = i > 0 ? t - times[i - 1] : t;
      base += (v - base) * (1 - Math.exp(-since / baseline.follow));
    }
    const yes = on || !hasCome(t, wentOn + stretch);
    if (wasYes && !yes) ended = t;
    wasYes = yes;
    return yes !== invert;
  });
}

/** Moments are compared in whole nanoseconds. */
const hasCome = (t: number, moment: number): boolean => Math.round((t - moment) * 1e9) >= 0;

const mean = (list: readonly number[]): number => list.reduce((a, b) => a + b, 0) / list.length;

function filtered({ filter }: Channel, history: readonly number[]): number {
  const last = history[history.length - 1];
  if (!filter || filter.n === 1) return last;
  if (filter.by === 'exponential')
    return history.reduce((y, x, i) => (i === 0 ? x : y + (x - y) / filter.n), 0);
  const window = history.slice(-filter.n);
  if (filter.by === 'mean') return mean(window);
  const sorted = [...window].sort((a, b) => a - b);
  const half = sorted.length / 2;
  return sorted.length % 2 === 1
    ? sorted[Math.floor(half)]
    : mean([sorted[half - 1], sorted[half]]);
}

const channels: fc.Arbitrary<Channel> = fc
  .record({
    baseline: fc.option(
      fc.oneof(
        fc.record({
          kind: fc.constant('fixed' as const),
          counts: fc.integer({ min: 20, max: 80 }),
        }),
        fc.record({
          kind: fc.constant('learnt' as const),
          learn: fc.integer({ min: 1, max: 5 }),
          follow: fc.constantFrom(0, 0.3, 2),
          freeze: fc.boolean(),
          unit: fc.constantFrom('counts' as const, 'per cent' as const),
        }),
      ),
      { nil: undefined },
    ),
    side: fc.constantFrom('above' as const, 'below' as const, 'away' as const),
    threshold: fc.integer({ min: 5, max: 60 }),
    hysteresis: fc.integer({ min: 0, max: 12 }),
    hits: fc.integer({ min: 1, max: 3 }),
    misses: fc.integer({ min: 1, max: 3 }),
    filter: fc.option(
      fc.record({
        by: fc.constantFrom('mean' as const, 'median' as const, 'exponential' as const),
        n: fc.integer({ min: 1, max: 5 }),
      }),
      { nil: undefined },
    ),
    stretch: fc.constantFrom(undefined, 0.15, 0.6),
    lockOut: fc.constantFrom(undefined, 0.15, 0.6),
    invert: fc.constantFrom(undefined, true),
  })
  .map(({ side, ...rest }) => ({
    id: 'c',
    name: 'c',
    pin: 'U.A0',
    every: 0.1,
    ...rest,
    trips: side === 'away' && !rest.baseline ? 'above' : side,
  }));

it('answers as the text says, whatever the channel and the readings', () => {
  fc.assert(
    fc.property(
      channels,
      fc.array(fc.tuple(fc.integer({ min: 0, max: 100 }), fc.constantFrom(0.1, 0.1, 0.25)), {
        minLength: 1,
        maxLength: 60,
      }),
      (channel, steps) => {
        let t = 0;
        const times = steps.map(([, gap]) => (t += gap));
        const counts = steps.map(([c]) => c);
        const ours = [...channelCourse(channel, restingChannel, times, counts)].map(
          (s) => s.tripped,
        );
        expect(ours).toEqual(byTheText(channel, times, counts));
      },
    ),
    { numRuns: 600 },
  );
});
