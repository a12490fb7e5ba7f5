import fc from 'fast-check';
import { Spans } from './spans.js';

const moment = fc.integer({ min: 0, max: 20 });
const spans = fc.array(
  fc.tuple(moment, moment).map(([start, lasts]) => ({ start, end: start + lasts })),
  { maxLength: 12 },
);

it('finds what looking at each would find', () => {
  fc.assert(
    fc.property(spans, fc.integer({ min: -1, max: 45 }), (all, t) => {
      const found = new Spans(all);
      const slowly = all.filter(({ start, end }) => start <= t && t <= end);
      expect(found.at(t)).toHaveLength(slowly.length);
      expect(new Set(found.at(t))).toEqual(new Set(slowly));
      expect(found.at(t).map((s) => s.start)).toEqual(
        slowly.map((s) => s.start).sort((a, b) => a - b),
      );
      expect(found.isAny(t)).toBe(slowly.length > 0);
      expect(found.nextStart(t)).toBe(
        Math.min(...all.map((s) => s.start).filter((s) => s > t), Infinity),
      );
    }),
    { seed: 4, numRuns: 500 },
  );
});
