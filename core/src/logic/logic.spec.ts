import fc from 'fast-check';
import { std } from 'mathjs';
import type { Channel } from '../design/index.js';
import {
  channelCourse,
  filterDelay,
  filterNoise,
  levelsOf,
  nextReading,
  readsAt,
  restingChannel,
  stepChannel,
  stepFilter,
} from './index.js';

const channel: Channel = {
  id: 'c',
  name: 'c',
  pin: 'U.A0',
  trips: 'above',
  threshold: 500,
  hysteresis: 60,
  every: 0.01,
  hits: 1,
  misses: 1,
};
const learnt = { kind: 'learnt', learn: 2, follow: 0, freeze: true, unit: 'counts' } as const;
const run = (c: Channel, counts: number[]): boolean[] => {
  let state = restingChannel;
  return counts.map((n, i) => (state = stepChannel(c, state, n, i * c.every)).tripped);
};

/** Normal numbers of mean 0 and deviation 1 (Box and Muller) from a small seeded generator. */
function seeded(seed: number): () => number {
  const next = (): number => (seed = (seed * 48271) % 2147483647) / 2147483647;
  return () => Math.sqrt(-2 * Math.log(next())) * Math.cos(2 * Math.PI * next());
}
const deviation = (values: number[]): number => Number(std(values, 'unbiased'));

describe('channel', () => {
  const cases: [string, Partial<Channel>, number[], boolean[]][] = [
    [
      'trips above and clears only below the band',
      {},
      [500, 501, 470, 440, 439, 501],
      [false, true, true, true, false, true],
    ],
    [
      'trips below and clears only above the band',
      { trips: 'below' },
      [500, 499, 530, 560, 561],
      [false, true, true, true, false],
    ],
    [
      'wants its hits in a row',
      { hits: 3 },
      [600, 600, 400, 600, 600, 600],
      [false, false, false, false, false, true],
    ],
    [
      'wants its misses in a row',
      { misses: 2 },
      [600, 400, 600, 400, 400],
      [true, true, true, true, false],
    ],
    [
      'stays tripped for its stretch, counted from tripping',
      { stretch: 0.025 },
      [600, 400, 400, 400, 400],
      [true, true, true, false, false],
    ],
    [
      'cannot trip while locked out, counted from clearing',
      { lockOut: 0.025 },
      [600, 400, 600, 600, 600, 600],
      [true, false, false, false, true, true],
    ],
    ['tells the opposite', { invert: true }, [400, 600, 400], [true, false, true]],
    [
      'takes the mean of its readings, at first of those there are',
      { filter: { by: 'mean', n: 3 } },
      // 400, 550, 500, 500, 420, 553
      [400, 700, 400, 400, 460, 800],
      [false, true, true, true, false, true],
    ],
    [
      'the median passes over a single spike',
      { filter: { by: 'median', n: 3 } },
      [400, 400, 1000, 400, 1000, 1000],
      [false, false, false, false, true, true],
    ],
    [
      'a running average takes in 1/n of each reading',
      { filter: { by: 'exponential', n: 2 } },
      [400, 600, 600, 400],
      // 400, 500, 550, 475
      [false, false, true, true],
    ],
    [
      'trips away from a fixed baseline on either side',
      { trips: 'away', threshold: 50, hysteresis: 10, baseline: { kind: 'fixed', counts: 512 } },
      [512, 562, 563, 552, 551, 461, 472, 473],
      [false, false, true, true, false, true, true, false],
    ],
    [
      'learns its baseline first and does not answer meanwhile',
      { threshold: 20, hysteresis: 5, baseline: { ...learnt, unit: 'per cent' } },
      [90, 110, 119, 121, 116, 114],
      [false, false, false, true, true, false],
    ],
    [
      'an inverted channel does not answer while it learns either',
      { threshold: 20, hysteresis: 5, invert: true, baseline: learnt },
      [90, 110, 119, 121],
      [false, false, true, false],
    ],
  ];
  it.each(cases)('%s', (_, change, counts, tripped) => {
    expect(run({ ...channel, ...change }, counts)).toEqual(tripped);
  });

  it('above and below are mirror images', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 1000 })),
        fc.integer({ min: 1, max: 4 }),
        (counts, n) => {
          const c = { ...channel, hits: n, misses: n };
          expect(
            run(
              { ...c, trips: 'below' },
              counts.map((x) => 1000 - x),
            ),
          ).toEqual(run(c, counts));
        },
      ),
    );
  });

  it('does not change within the band', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.integer({ min: levelsOf(channel, undefined)[0].clear, max: channel.threshold }),
        ),
        fc.boolean(),
        (counts, tripped) => {
          const start = { ...restingChannel, on: tripped };
          const end = counts.reduce((s, n) => stepChannel(channel, s, n, 0), start);
          expect(end.on).toBe(tripped);
        },
      ),
    );
  });
});

describe('baseline', () => {
  const follows = (follow: number, freeze: boolean): Channel => ({
    ...channel,
    threshold: 30,
    hysteresis: 5,
    baseline: { kind: 'learnt', learn: 15, follow, freeze, unit: 'counts' },
  });
  const course = (c: Channel, counts: number[]) => [
    ...channelCourse(
      c,
      restingChannel,
      counts.map((_, i) => i * c.every),
      counts,
    ),
  ];

  it('is the mean of its first readings', () => {
    fc.assert(
      fc.property(fc.array(fc.nat(1023), { minLength: 15, maxLength: 15 }), (counts) => {
        const { baseline } = course(follows(0, true), counts)[14];
        expect(baseline.counts).toBeCloseTo(counts.reduce((a, b) => a + b) / 15, 9);
      }),
    );
  });

  it('follows a step as a first-order lag does, however often it reads', () => {
    // b + (v − b)·(1 − e^(−t/τ)), closed form
    for (const every of [0.01, 0.05]) {
      const c = { ...follows(2, false), every };
      const states = course(c, [...Array(15).fill(500), ...Array(1 / every).fill(520)]);
      expect(states[states.length - 1].baseline.counts).toBeCloseTo(
        500 + 20 * (1 - Math.exp(-1 / 2)),
        9,
      );
    }
  });

  it('stands still while tripped if it is told to, and gives in if not', () => {
    const counts = [...Array(15).fill(500), ...Array(2000).fill(600)];
    const after = (freeze: boolean) => course(follows(2, freeze), counts).at(-1);
    expect(after(true)).toMatchObject({ tripped: true, baseline: { counts: 500 } });
    expect(after(false)?.tripped).toBe(false);
  });
});

it.each([
  ['mean', 4, 1],
  ['mean', 5, 2],
  ['median', 5, 2],
  ['exponential', 1, 0],
  ['exponential', 8, 5],
] as const)('a %s of %i holds half of a step back by %i readings', (by, n, delay) => {
  const filter = { by, n };
  let state = Array(n).fill(0) as readonly number[];
  const values = Array.from({ length: 20 }, () => {
    const step = stepFilter(filter, state, 100);
    state = step.state;
    return step.value;
  });
  expect(values.findIndex((v) => v >= 50)).toBe(delay);
  expect(filterDelay(filter)).toBe(delay);
});

it('filters leave the share of noise that they are said to', () => {
  const random = seeded(7);
  const noise = Array.from({ length: 200_000 }, () => 100 * random());
  for (const filter of [
    { by: 'mean', n: 9 },
    { by: 'exponential', n: 9 },
    { by: 'median', n: 9 },
  ] as const) {
    let state: readonly number[] = [];
    const left = noise.map((x) => {
      const step = stepFilter(filter, state, x);
      state = step.state;
      return step.value;
    });
    const ratio = deviation(left.slice(100)) / deviation(noise);
    // A median of so few is a little better than its bound.
    expect(ratio / filterNoise(filter)).toBeGreaterThan(filter.by === 'median' ? 0.9 : 0.98);
    expect(ratio / filterNoise(filter)).toBeLessThan(1.02);
  }
});

it.each([
  ['rising', 0, 100, true],
  ['rising', 100, 0, false],
  ['falling', 100, 50, true],
  ['change', 0, 100, true],
  ['change', 0, 0, false],
  [undefined, 0, 100, false],
] as const)('on %s from %i to %i', (edge, before, now, reads) => {
  expect(readsAt(edge, before, now)).toBe(reads);
});

it('readings fall on whole multiples of the period, however they are rounded', () => {
  const awake = { awake: { since: 0, until: Infinity, asleep: false, wakes: 0 } };
  let t = 0;
  for (let n = 1; n <= 5000; n++) {
    t = nextReading(awake, { every: 0.01 }, t);
    expect(Math.round(t / 0.01)).toBe(n);
  }
});
