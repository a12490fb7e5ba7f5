import fc from 'fast-check';
import { lusolve, matrix as mathMatrix } from 'mathjs';
import { Matrix, solve as mlSolve } from 'ml-matrix';
import { seededRandom } from '../rehearsal/index.js';
import { SingularMatrixError, SparseLU } from './index.js';

/** A random sparse n × n matrix with a full diagonal, over many decades when `wild`. */
function randomMatrix(n: number, seed: number, wild: boolean): number[][] {
  const random = seededRandom(seed);
  const size = (): number => random.normal() * (wild ? 10 ** (8 * random.uniform() - 4) : 1);
  return Array.from({ length: n }, (_, r) =>
    Array.from({ length: n }, (_, c) =>
      r === c ? size() + (wild ? 0 : 4) : random.uniform() < 2 / n ? size() : 0,
    ),
  );
}

function sparse(dense: number[][]): { lu: SparseLU; values: Float64Array } {
  const entries = dense.flatMap((row, r) => row.flatMap((v, c) => (v === 0 ? [] : [{ r, c, v }])));
  const lu = new SparseLU(
    dense.length,
    entries.map((e) => e.r),
    entries.map((e) => e.c),
  );
  return { lu, values: Float64Array.from(entries, (e) => e.v) };
}

const sizes = fc.integer({ min: 1, max: 24 });
const seeds = fc.integer({ min: 0, max: 1e6 });

describe('SparseLU', () => {
  it('agrees with mathjs and ml-matrix to 1e-9 on well-conditioned systems', () => {
    fc.assert(
      fc.property(sizes, seeds, (n, seed) => {
        const dense = randomMatrix(n, seed, false);
        const b = Float64Array.from({ length: n }, (_, i) => Math.sin(i + seed));
        const { lu, values } = sparse(dense);
        const x = new Float64Array(n);
        lu.factor(values);
        lu.solve(b, x);
        const first = (lusolve(mathMatrix(dense), [...b]).toArray() as number[][]).map(([v]) => v);
        const second = mlSolve(new Matrix(dense), Matrix.columnVector(b)).to1DArray();
        const scale = Math.max(...first.map(Math.abs));
        for (let i = 0; i < n; i++) {
          expect(Math.abs(x[i] - first[i])).toBeLessThanOrEqual(1e-9 * scale);
          expect(Math.abs(x[i] - second[i])).toBeLessThanOrEqual(1e-9 * scale);
        }
      }),
      { numRuns: 200 },
    );
  });

  it('is backward stable over eight decades of entries, also when factored again with new values', () => {
    fc.assert(
      fc.property(sizes, seeds, (n, seed) => {
        const { lu, values } = sparse(randomMatrix(n, seed, true));
        const random = seededRandom(seed + 1);
        const dense = randomMatrix(n, seed, true);
        const x = new Float64Array(n);
        for (let round = 0; round < 3; round++) {
          let i = 0;
          for (const row of dense)
            for (let c = 0; c < n; c++) if (row[c] !== 0) row[c] = values[i++];
          const b = Float64Array.from({ length: n }, () => random.normal());
          lu.factor(values);
          lu.solve(b, x);
          dense.forEach((row, r) => {
            const sum = row.reduce((s, v, c) => s + v * x[c], 0);
            const size = row.reduce((s, v, c) => s + Math.abs(v * x[c]), Math.abs(b[r]));
            const grown = Math.max(...x.map(Math.abs)) * Math.max(...row.map(Math.abs));
            expect(Math.abs(sum - b[r])).toBeLessThanOrEqual(1e-9 * (size + grown));
          });
          values.forEach((v, k) => (values[k] = v * 10 ** (2 * random.uniform() - 1)));
        }
      }),
    );
  });

  it('names a row of a matrix without an inverse', () => {
    const { lu, values } = sparse([
      [1, 2, 0],
      [2, 4, 0],
      [0, 0, 1],
    ]);
    expect(() => lu.factor(values)).toThrow(SingularMatrixError);
  });
});
