import fc from 'fast-check';
import { mean, sampleStandardDeviation } from 'simple-statistics';
import { spreadOf } from './spread.js';

it('agrees with simple-statistics', () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 0, max: 4095 }), { minLength: 2 }), (values) => {
      const { n, low, high, ...spread } = spreadOf(values);
      expect([n, low, high]).toEqual([values.length, Math.min(...values), Math.max(...values)]);
      expect(spread.mean).toBeCloseTo(mean(values), 9);
      expect(spread.sd).toBeCloseTo(sampleStandardDeviation(values), 9);
    }),
  );
});

it('is narrow for a single number', () => {
  expect(spreadOf([7])).toEqual({ n: 1, low: 7, high: 7, mean: 7, sd: 0 });
});
