import { readdirSync } from 'node:fs';
import { mean, standardDeviation, sampleCorrelation } from 'simple-statistics';
import { demo } from '../testing/demo.js';
import { rehearse } from './index.js';
import { noiseOf } from './random.js';

const names = readdirSync('demo').map((file) => file.replace('.yurei.json', ''));

it.each(names)(
  '%s: looking only when something may have changed gives the same, byte for byte',
  (name) => {
    const design = demo(name);
    for (const scene of design.scenes) {
      const [fast, full] = (['fast', 'full'] as const).map((path) => {
        const { solves: _often, ...rest } = rehearse(design, scene, undefined, path);
        return JSON.stringify(rest);
      });
      expect(fast === full).toBe(true);
    }
  },
);

it('noise by its number is normal, and its streams and neighbours tell nothing of each other', () => {
  const many = Array.from({ length: 20_000 }, (_, n) => n);
  const [a, b] = [0, 1].map((stream) => many.map(noiseOf(11, stream)));
  // Four standard errors: 4/√n of the mean, 4/√2n of the deviation, 4/√n of a correlation.
  const bound = 4 / Math.sqrt(many.length);
  expect(Math.abs(mean(a))).toBeLessThan(bound);
  expect(Math.abs(standardDeviation(a) - 1)).toBeLessThan(bound / Math.SQRT2);
  expect(Math.abs(sampleCorrelation(a, b))).toBeLessThan(bound);
  expect(Math.abs(sampleCorrelation(a.slice(1), a.slice(0, -1)))).toBeLessThan(bound);
  const within = a.filter((z) => Math.abs(z) < 1.959964).length / a.length;
  expect(Math.abs(within - 0.95)).toBeLessThan(4 * Math.sqrt((0.95 * 0.05) / a.length));
});
