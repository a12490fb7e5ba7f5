import fc from 'fast-check';
import { surplus, type Saved } from './thinning.js';

const hour = 3600;
const day = 24 * hour;
/** Saves at these seconds, newest first. */
const at = (...seconds: number[]): Saved[] =>
  seconds.map((ranFor, i) => ({ version: i + 1, ranFor })).reverse();

it('keeps all of the last day', () => {
  const saves = at(...Array.from({ length: 500 }, (_, i) => i * 60));
  expect(surplus(saves, 500 * 60)).toEqual([]);
});

it('keeps the last of each hour before that', () => {
  // Seven in one hour, three in the next, two days ago; the first is always kept.
  const saves = at(10, 20, 30, 40, 50, 60, 70, hour + 1, hour + 2, hour + 3, 3 * day);
  expect(surplus(saves, 3 * day).sort((a, b) => a - b)).toEqual([2, 3, 4, 5, 6, 8, 9]);
});

it('keeps the last of each day after a month', () => {
  const saves = at(0, 1 * hour, 2 * hour, 3 * hour, day + 1, day + hour + 1, 40 * day);
  expect(surplus(saves, 40 * day).sort((a, b) => a - b)).toEqual([2, 3, 5]);
});

it('saves from before time was counted age as their own dates tell', () => {
  const saves = at(-2 * day - 20, -2 * day - 10, -2 * day - 1, 5);
  expect(surplus(saves, 5)).toEqual([2]);
});

it('never takes the first, the newest, or one of the last day; taking out twice changes nothing', () => {
  const seconds = fc.array(fc.integer({ min: 0, max: 100 * day }), { minLength: 1, maxLength: 80 });
  fc.assert(
    fc.property(seconds, (times) => {
      const saves = at(...times.sort((a, b) => a - b));
      const now = 100 * day;
      const out = new Set(surplus(saves, now));
      expect(out.has(1)).toBe(false);
      expect(out.has(saves[0].version)).toBe(false);
      for (const { version, ranFor } of saves)
        if (now - ranFor <= day) expect(out.has(version)).toBe(false);
      const left = saves.filter((s) => !out.has(s.version));
      expect(surplus(left, now)).toEqual([]);
    }),
  );
});
