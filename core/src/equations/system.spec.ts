import fc from 'fast-check';
import { seededRandom } from '../rehearsal/index.js';
import { System } from './index.js';

/** Random equations over eight decades. */
function wild(nodes: number, seed: number): System {
  const random = seededRandom(seed);
  const value = (): number => random.normal() * 10 ** (8 * random.uniform() - 4);
  const system = new System(nodes);
  const pairs = Array.from({ length: nodes }, (_, r) =>
    Array.from({ length: nodes }, (_, c) => c).filter(
      (c) => c === r || random.uniform() < 3 / nodes,
    ),
  );
  const slots = pairs.flatMap((columns, r) => columns.map((c) => system.slot(r, c)));
  system.seal();
  for (const slot of slots) system.values[slot] = value();
  for (let i = 0; i < nodes; i++) system.rhs[i] = value();
  return system;
}

/** The largest share of what flows in an equation that a solution leaves of it. */
function leftOf(system: System, x: Float64Array): number {
  const { rows, columns, values } = system.pattern();
  const left = Array.from({ length: system.nodes }, (_, i) => -system.rhs[i]);
  const flows = left.map(Math.abs);
  rows.forEach((row, e) => {
    const term = values[e] * x[columns[e]];
    left[row] += term;
    flows[row] += Math.abs(term);
  });
  return Math.max(...left.map((v, i) => Math.abs(v) / (flows[i] || 1)));
}

it('a refined solution meets each equation to the last digits of its own terms; one that is not leaves far more of some', () => {
  let worst = 0;
  fc.assert(
    fc.property(fc.integer({ min: 2, max: 24 }), fc.integer({ min: 0, max: 1e6 }), (n, seed) => {
      const system = wild(n, seed);
      const x = new Float64Array(n + 1);
      system.solve(x);
      worst = Math.max(worst, leftOf(system, x));
      system.refine(x);
      expect(leftOf(system, x)).toBeLessThanOrEqual(4 * n * Number.EPSILON);
    }),
    { numRuns: 300, seed: 5 },
  );
  expect(worst).toBeGreaterThan(1e-13);
});
