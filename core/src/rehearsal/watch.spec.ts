import fc from 'fast-check';
import { Spans } from '../scene/index.js';
import { nextWatch } from './watch.js';

it('goes on however late in a scene it is, at most a step at a time, and ends with the span', () => {
  const start = fc.double({ min: 0, max: 1e9, noNaN: true });
  const lasts = fc.double({ min: 5e-3, max: 0.5, noNaN: true });
  fc.assert(
    fc.property(start, lasts, (start, lasts) => {
      const span = { start, end: start + lasts };
      let t = start;
      for (let turn = 1; t < span.end; turn++) {
        const next = nextWatch(new Spans([span]), t);
        expect(next).toBeGreaterThan(t);
        if (next < span.end) expect(Math.abs(next - start - turn * 1e-3)).toBeLessThan(1e-6);
        t = next;
      }
      expect(nextWatch(new Spans([span]), t)).toBe(Infinity);
    }),
    { numRuns: 60, seed: 9 },
  );
});
