import fc from 'fast-check';
import { corr, std } from 'mathjs';
import {
  bestLine,
  bothAbove,
  errorsAt,
  exactBounds,
  falseTriggers,
  noiseOf,
  readingsFor,
  rocArea,
  shareDifference,
  upperTail,
  type Readings,
} from './index.js';

/** P(X ≥ k) of a binomial distribution, term by term. */
function atLeast(k: number, n: number, p: number): number {
  let term = (1 - p) ** n;
  let below = 0;
  for (let i = 0; i < k; i++) {
    below += term;
    term *= ((n - i) / (i + 1)) * (p / (1 - p));
  }
  return 1 - below;
}

describe('the difference of two shares', () => {
  // Newcombe, Stat. Med. 17, 873–890 (1998), table II, method 10.
  it.each([
    [56, 70, 48, 80, 0.0524, 0.3339],
    [9, 10, 3, 10, 0.1705, 0.809],
    [6, 7, 2, 7, 0.0582, 0.8062],
    [5, 56, 0, 29, -0.0381, 0.1926],
    [0, 10, 0, 20, -0.1611, 0.2775],
    [10, 10, 0, 10, 0.6075, 1],
  ])('%i of %i less %i of %i', (a, n, b, m, low, high) => {
    const found = shareDifference({ events: a, tries: n }, { events: b, tries: m });
    expect(found.by).toBeCloseTo(a / n - b / m, 12);
    expect(found.low).toBeCloseTo(low, 4);
    expect(found.high).toBeCloseTo(high, 4);
  });
  it('of no tries is anything', () =>
    expect(shareDifference({ events: 0, tries: 0 }, { events: 1, tries: 2 })).toEqual({
      by: 0,
      low: -1,
      high: 1,
    }));
});

describe('exact bounds', () => {
  // Published with the method (Clopper and Pearson 1934) and in handbooks since; from memory.
  it.each([
    [0, 10, 0, 0.3085],
    [1, 10, 0.0025, 0.445],
    [5, 10, 0.1871, 0.8129],
    [10, 10, 0.6915, 1],
    [0, 0, 0, 1],
  ])('%i of %i', (events, tries, low, high) => {
    const bounds = exactBounds(events, tries);
    expect(bounds.low).toBeCloseTo(low, 4);
    expect(bounds.high).toBeCloseTo(high, 4);
  });

  it('leave half of the doubt on each side, by the definition', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 60 }), fc.nat(), (n, any) => {
        const k = any % (n + 1);
        const { low, high } = exactBounds(k, n, 0.9);
        if (k > 0) expect(atLeast(k, n, low)).toBeCloseTo(0.05, 8);
        if (k < n) expect(1 - atLeast(k + 1, n, high)).toBeCloseTo(0.05, 8);
      }),
    );
  });

  it('of no event in n are closed: 1 − 0.025^(1/n)', () => {
    for (const n of [1, 7, 59, 1000, 100_000])
      expect(exactBounds(0, n).high).toBeCloseTo(1 - 0.025 ** (1 / n), 12);
  });

  it('59 readings without an error say 5 % at most', () => {
    expect(readingsFor(0.05)).toBe(59);
    expect(1 - 0.05 ** (1 / 59)).toBeLessThan(0.05);
    expect(1 - 0.05 ** (1 / 58)).toBeGreaterThan(0.05);
  });

  it.each([
    [3, 2],
    [-1, 2],
    [0.5, 2],
  ])('%d of %d is refused', (events, tries) => {
    expect(() => exactBounds(events, tries)).toThrow(/no share/);
  });
});

describe('the normal distribution', () => {
  // Abramowitz and Stegun, table 26.1.
  it.each([
    [0, 0.5],
    [1, 0.1586552539],
    [2, 0.0227501319],
    [3, 0.001349898],
    [5, 2.866515719e-7],
    [-1, 0.8413447461],
  ])('above %d', (z, tail) => {
    expect(upperTail(z) / tail).toBeCloseTo(1, 6);
  });

  it('two correlated values are both above 0 with 1/4 + asin ρ / 2π (Sheppard 1899)', () => {
    for (const r of [-0.9, -0.3, 0, 0.5, 0.99])
      expect(bothAbove(0, r)).toBeCloseTo(0.25 + Math.asin(r) / (2 * Math.PI), 6);
  });

  it('runs from independent to the same', () => {
    for (const z of [-1, 0.5, 2]) {
      expect(bothAbove(z, 0)).toBeCloseTo(upperTail(z) ** 2, 9);
      expect(bothAbove(z, 1)).toBeCloseTo(upperTail(z), 4);
    }
  });
});

/** Standard normal values made from Mulberry32 (public domain), each tied to the one before. */
function tied(n: number, correlation: number, seed = 7): number[] {
  let state = seed;
  const random = (): number => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
  };
  let last = 0;
  return Array.from({ length: n }, () => {
    const normal = Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
    last = correlation * last + Math.sqrt(1 - correlation ** 2) * normal;
    return last;
  });
}

describe('noise', () => {
  it.each([0, 0.8])('is told from readings with correlation %d', (r) => {
    const values = tied(40_000, r).map((v) => 300 + 4 * v);
    const noise = noiseOf(values);
    expect(noise.sd).toBeCloseTo(Number(std(values)), 9);
    expect(noise.correlation).toBeCloseTo(Number(corr(values.slice(1), values.slice(0, -1))), 3);
    expect(Math.abs(noise.correlation - r)).toBeLessThan(0.02);
    expect(noise.independent / noise.readings).toBeCloseTo((1 - r) / (1 + r), 1);
  });

  it.each([
    [0, 1],
    [0, 2],
    [0.7, 1],
    [0.9, 1],
  ])('triggers as often as counted, correlation %d, %i in a row', (r, hits) => {
    const n = 100_000;
    const values = tied(n, r);
    let [run, trips] = [0, 0];
    for (const v of values) {
      run = v > 2 ? run + 1 : 0;
      if (run === hits) trips += 1;
    }
    const expected =
      n *
      falseTriggers(
        { mean: 0, sd: 1, correlation: r },
        { trips: 'above', threshold: 2, hits, every: 1 },
      );
    expect(Math.abs(trips - expected)).toBeLessThan(5 * Math.sqrt(expected));
  });
});

describe('a line', () => {
  const set = (intent: Readings['intent'], ...counts: number[]): Readings => ({
    name: intent,
    intent,
    counts,
  });

  it('stands in the widest gap that costs least', () => {
    const sets = [set('quiet', 10, 12, 14), set('nuisance', 20), set('wanted', 50, 60)];
    expect(bestLine(sets, 'above')).toMatchObject({ line: 35, gap: 30, cost: 0 });
    expect(bestLine(sets, 'above').misses).toMatchObject({ events: 0, tries: 2 });
  });

  it('goes where the dearer mistake is rarer', () => {
    const sets = [set('quiet', 1, 2, 3, 7), set('wanted', 5, 8, 9, 10)];
    expect(bestLine(sets, 'above', { miss: 10, false: 1 }).misses.events).toBe(0);
    expect(bestLine(sets, 'above', { miss: 1, false: 10 }).falses.events).toBe(0);
  });

  const counts = fc.array(fc.integer({ min: 0, max: 30 }), { minLength: 1, maxLength: 30 });
  it('is never beaten by another, and mirrors when what is felt is turned round', () => {
    fc.assert(
      fc.property(counts, counts, (wanted, quiet) => {
        fc.pre(new Set([...wanted, ...quiet]).size > 1);
        const sets = [set('wanted', ...wanted), set('quiet', ...quiet)];
        const best = bestLine(sets, 'above');
        const [low, high] = [Math.min(...wanted, ...quiet), Math.max(...wanted, ...quiet)];
        for (let line = low + 0.5; line < high; line++)
          expect(errorsAt(sets, 'above', line).cost).toBeGreaterThanOrEqual(best.cost - 1e-12);
        const turned = sets.map((s) => ({ ...s, counts: s.counts.map((c) => -c) }));
        expect(bestLine(turned, 'below').cost).toBeCloseTo(best.cost, 12);
        expect(rocArea(turned, 'below')).toBeCloseTo(rocArea(sets, 'above') ?? NaN, 12);
      }),
      { numRuns: 25 },
    );
  });

  it('the area under the ROC curve is the share of pairs in order', () => {
    fc.assert(
      fc.property(counts, counts, (wanted, quiet) => {
        const pairs = wanted.flatMap((w) => quiet.map((q) => (w > q ? 1 : w === q ? 0.5 : 0)));
        const share = pairs.reduce<number>((a, b) => a + b, 0) / pairs.length;
        const sets = [set('wanted', ...wanted), set('quiet', ...quiet)];
        expect(rocArea(sets, 'above')).toBeCloseTo(share, 12);
      }),
    );
  });

  it.each([
    [[set('wanted', 1)], /readings that are not/],
    [[set('wanted', 1), set('quiet', 1)], /the same/],
  ])('needs something to part', (sets, reason) => {
    expect(() => bestLine(sets, 'above')).toThrow(reason);
  });
});
