import fc from 'fast-check';
import { mean, sampleStandardDeviation } from 'simple-statistics';
import type { Channel, ReadingSet } from '../design/index.js';
import {
  averaging,
  errorCurve,
  errorsAt,
  exactBounds,
  judgeChannel,
  moreReadings,
  scoreBounds,
  unmeasured,
  upperBound,
  upperCount,
} from './index.js';

const channel: Channel = {
  id: 'c',
  name: 'c',
  pin: 'U.A0',
  trips: 'above',
  threshold: 400,
  hysteresis: 20,
  every: 0.04,
  hits: 1,
  misses: 1,
};
const set = (
  intent: ReadingSet['intent'],
  counts: number[],
  change: Partial<ReadingSet> = {},
): ReadingSet => ({
  id: intent,
  name: intent,
  channel: 'c',
  intent,
  origin: 'typed',
  taken: '2026-11-25T21:00:00Z',
  every: 0.04,
  counts,
  excluded: [],
  conditions: {},
  notes: '',
  ...change,
});
const quiet = set('quiet', [300, 302, 299, 305, 301, 298]);
const wanted = set('wanted', [510, 520, 498, 530]);
const judged = (sets: ReadingSet[], change: Partial<Channel> = {}) =>
  judgeChannel({ ...channel, ...change }, sets, 1023);

// Newcombe, Statistics in Medicine 17 (1998), table I.
it.each([
  [81, 263, 0.2527, 0.3676, 0.2553, 0.3662],
  [15, 148, 0.0578, 0.1617, 0.0624, 0.1605],
  [0, 20, 0, 0.1684, 0, 0.1611],
  [1, 29, 0.0009, 0.1776, 0.0061, 0.1718],
])('%i of %i: exact and score bounds as published', (events, tries, cpLow, cpHigh, low, high) => {
  const [exact, score] = [exactBounds(events, tries), scoreBounds(events, tries)];
  expect([exact.low, exact.high].map((x) => x.toFixed(4))).toEqual(
    [cpLow, cpHigh].map((x) => x.toFixed(4)),
  );
  expect([score.low, score.high].map((x) => x.toFixed(4))).toEqual(
    [low, high].map((x) => x.toFixed(4)),
  );
});

// Garwood 1936: 95 % one-sided; −ln 0.05 for none.
it.each([
  [0, 2.9957],
  [1, 4.7439],
  [2, 6.2958],
  [10, 16.9622],
])('%i events counted allow a mean of %d', (events, most) => {
  expect(upperCount(events)).toBeCloseTo(most, 4);
});

// Wilson and Hilferty 1931: half of the χ² quantile with 2k + 2 degrees of freedom, by its cube root.
it.each([100, 1000, 50_000])(
  'of %i events too the bound lies above them, by about 1.645·√n',
  (events) => {
    const n = 2 * events + 2;
    const cube = 1 - 2 / (9 * n) + 1.644854 * Math.sqrt(2 / (9 * n));
    expect(upperCount(events) / ((n * cube ** 3) / 2)).toBeCloseTo(1, 4);
  },
);

it('so many more readings, none wrong, and not one less, make it certain', () => {
  fc.assert(
    fc.property(fc.nat(4), fc.integer({ min: 0, max: 200 }), (events, extra) => {
      const tries = events + extra;
      const n = tries + moreReadings(events, tries, 0.05);
      expect(upperBound(events, n)).toBeLessThanOrEqual(0.05);
      if (n > tries) expect(upperBound(events, n - 1)).toBeGreaterThan(0.05);
    }),
    { numRuns: 40 },
  );
  expect(moreReadings(0, 0, 0.05)).toBe(59);
});

it('tells each set as a statistics library does', () => {
  const told = judged([quiet, wanted])?.sets ?? [];
  [quiet, wanted].forEach(({ counts }, i) => {
    expect(told[i].mean).toBeCloseTo(mean(counts), 9);
    expect(told[i].sd).toBeCloseTo(sampleStandardDeviation(counts), 9);
  });
  expect(told.map((s) => s.margin)).toEqual([95, 98]);
});

it('a reading left out counts nowhere', () => {
  const spoilt = {
    ...quiet,
    counts: [...quiet.counts, 900],
    excluded: [{ at: 6, reason: 'Bumped' }],
  };
  expect(judged([spoilt, wanted])).toEqual(judged([quiet, wanted]));
  expect(judged([{ ...spoilt, excluded: [] }, wanted])?.errors.falses.events).toBe(1);
});

describe('a baseline', () => {
  const learnt = { kind: 'learnt', learn: 3, follow: 0, freeze: true, unit: 'per cent' } as const;
  it('is where the quiet readings lie, and the line is a distance from it', () => {
    const told = judged([quiet, wanted], { threshold: 20, hysteresis: 5, baseline: learnt });
    expect(told?.from).toBeCloseTo(mean(quiet.counts), 9);
    expect(told?.levels[0].trip).toBeCloseTo(1.2 * mean(quiet.counts), 9);
    expect(told?.errors).toMatchObject({ misses: { events: 0 }, falses: { events: 0 } });
  });
  it('cannot be told without quiet readings', () => {
    expect(judged([wanted], { baseline: learnt })).toBeUndefined();
  });
  it('on either side: both are seen', () => {
    const both = set('wanted', [250, 350]);
    const away = {
      trips: 'away',
      threshold: 40,
      baseline: { kind: 'fixed', counts: 300 },
    } as const;
    expect(judged([quiet, both], away)?.errors.misses.events).toBe(0);
    expect(judged([quiet, both], { trips: 'above', threshold: 340 })?.errors.misses.events).toBe(1);
  });
});

/** Every number in it, however deep. */
const numbers = (value: unknown): number[] =>
  typeof value === 'number'
    ? [value]
    : typeof value === 'object' && value !== null
      ? Object.values(value).flatMap(numbers)
      : [];

it.each<[string, ReadingSet[], RegExp]>([
  ['one reading', [quiet, set('wanted', [500])], /“wanted” is one reading only/],
  [
    'identical readings',
    [set('quiet', [300, 300, 300]), wanted],
    /All 3 readings of “quiet” are 300/,
  ],
  ['all the same', [set('quiet', [300]), set('wanted', [300])], /no line parts them/],
  ['saturated', [quiet, set('wanted', [1023, 1023, 900])], /67 % of “wanted” lie at the end/],
  [
    'exchanged labels',
    [set('quiet', wanted.counts), set('wanted', quiet.counts)],
    /trip the other way/,
  ],
  ['overlapping', [quiet, set('wanted', [301, 303, 500])], /even the best line misses/],
  ['none', [], /^$/],
  ['an empty set', [set('quiet', []), wanted], /^$/],
])('%s: said in words, and no number that is none', (_, sets, word) => {
  const told = judged(sets);
  expect(told?.words.join(' ')).toMatch(word);
  expect(numbers(told).filter((n) => !Number.isFinite(n))).toEqual([]);
});

it('the curve is what counting at each of its lines gives, and the fit agrees where readings are normal', () => {
  const spread = Array.from({ length: 500 }, (_, i) => normalAt((i + 0.5) / 500));
  const sets = [
    set(
      'quiet',
      spread.map((z) => 300 + 20 * z),
    ),
    set(
      'wanted',
      spread.map((z) => 360 + 20 * z),
    ),
  ];
  for (const point of errorCurve(sets, 'above', 50)) {
    const { misses, falses } = errorsAt(sets, 'above', point.line);
    expect(point.misses).toBeCloseTo(misses.events / misses.tries, 9);
    expect(point.falses).toBeCloseTo(falses.events / falses.tries, 9);
    const { low, high } = scoreBounds(misses.events, misses.tries);
    expect(point.missesWithin).toEqual([low, high]);
    expect(Math.abs(point.missesFitted - point.misses)).toBeLessThan(0.01);
    expect(Math.abs(point.falsesFitted - point.falses)).toBeLessThan(0.01);
  }
});

/** Normal quantile by bisection of the tail that the curve does not use: Simpson's rule over the density. */
function normalAt(p: number): number {
  const below = (z: number): number => {
    const h = z / 200;
    let sum = 1 + Math.exp((-z * z) / 2);
    for (let i = 1; i < 200; i++) sum += (i % 2 === 0 ? 2 : 4) * Math.exp(-((i * h) ** 2) / 2);
    return 0.5 + (sum * h) / 3 / Math.sqrt(2 * Math.PI);
  };
  let [low, high] = [-5, 5];
  for (let i = 0; i < 40; i++) {
    const middle = (low + high) / 2;
    if (below(middle) < p) low = middle;
    else high = middle;
  }
  return low;
}

it('averaging quietens independent readings by √n and costs half of them in time', () => {
  const noisy = set(
    'quiet',
    Array.from({ length: 800 }, (_, i) => 300 + 10 * normalAt((i * 0.6180339887) % 1 || 0.5)),
  );
  const [one, , four] = averaging(channel, [noisy, wanted]);
  expect(four.n).toBe(4);
  expect(four.delay).toBeCloseTo(0.04, 9);
  expect(four.sd ?? NaN).toBeLessThan((one.sd ?? NaN) / 2);
});

it('trips of the quiet readings themselves are counted through hits and hysteresis', () => {
  const chatter = set('quiet', [399, 401, 399, 401, 401, 370, 401]);
  expect(judged([chatter])?.falses.counted.trips).toBe(2);
  expect(judged([chatter], { hits: 2 })?.falses.counted).toMatchObject({ trips: 1 });
  const { seconds, atMostPerDay } = judged([chatter], { hits: 3 })?.falses.counted ?? {};
  expect(atMostPerDay).toBeCloseTo((86_400 * 2.9957) / (seconds ?? NaN), -2);
});

it('what was never tried is named, and what was is not', () => {
  const titles = (sets: ReadingSet[], battery = false): string[] =>
    unmeasured(sets, battery).map((u) => u.title);
  expect(titles([quiet])).toContain('No reading in the dark');
  expect(titles([quiet])).toContain('No wanted readings');
  expect(titles([quiet])).not.toContain('No reading on a low battery');
  const night = set('nuisance', [310], { conditions: { light: 1, temperature: 2, supply: 9 } });
  const noon = set('wanted', [520], {
    conditions: { light: 50_000, temperature: 33, supply: 12, distance: 1 },
  });
  const near = set('wanted', [560], { conditions: { distance: 0.5 } });
  expect(titles([quiet, night, noon, near], true)).toEqual([]);
  expect(titles([quiet, { ...night, conditions: { supply: 11 } }, noon], true)).toContain(
    'No reading on a low battery',
  );
});
