import { OpenMatrix } from './open-matrix.js';
import { SingularMatrixError } from './singular-matrix.js';

export { SingularMatrixError };

/** A reused pivot that has shrunk below this share of its row asks for a new order. */
const pivotDecay = 1e-9;

/**
 * Sparse LU factors of a square matrix whose pattern stays while its values change.
 *
 * The first factorisation picks pivots by least fill (Markowitz count) among those large enough, and
 * lays out the factors once; later ones run through that layout without allocating. If a pivot
 * decays, the order is picked anew. Hot: see `npm run bench`.
 *
 * Markowitz, "The elimination form of the inverse and its application to linear programming",
 * Management Science 3 (1957); threshold pivoting as in Duff, Erisman and Reid, "Direct Methods for
 * Sparse Matrices", 2nd ed. (2017), ch. 5 and 7.
 */
export class SparseLU {
  private planned = false;
  /** Pivot step → row and column of the matrix. */
  private readonly rowOf: Int32Array;
  private readonly columnOf: Int32Array;
  /** Rows of L and U together, by pivot step: columns as steps, ascending. */
  private start = new Int32Array(0);
  private column = new Int32Array(0);
  private value = new Float64Array(0);
  private diagonal = new Int32Array(0);
  /** Matrix entries by pivot row, with the step of their column. */
  private entryStart = new Int32Array(0);
  private entryIndex = new Int32Array(0);
  private entryStep = new Int32Array(0);
  private readonly work: Float64Array;

  /**
   * @param size n of the n × n matrix
   * @param rows row of each entry; entries at the same place add up
   * @param columns column of each entry
   */
  constructor(
    readonly size: number,
    private readonly rows: ArrayLike<number>,
    private readonly columns: ArrayLike<number>,
  ) {
    this.rowOf = new Int32Array(size);
    this.columnOf = new Int32Array(size);
    this.work = new Float64Array(size);
  }

  /**
   * Factors the matrix with these entry values.
   *
   * @throws SingularMatrixError when it has no inverse
   */
  factor(values: Float64Array): void {
    if (this.planned && this.eliminate(values) < 0) return;
    this.plan(values);
    const stuck = this.eliminate(values);
    if (stuck >= 0) throw new SingularMatrixError(this.rowOf[stuck]);
  }

  /** Solves A·x = b with the last factors; `x` may be `b`. */
  solve(b: Float64Array, x: Float64Array): void {
    const { start, column, value, diagonal, work, rowOf, columnOf, size } = this;
    for (let i = 0; i < size; i++) {
      let sum = b[rowOf[i]];
      for (let k = start[i]; k < diagonal[i]; k++) sum -= value[k] * work[column[k]];
      work[i] = sum;
    }
    for (let i = size - 1; i >= 0; i--) {
      let sum = work[i];
      for (let k = diagonal[i] + 1; k < start[i + 1]; k++) sum -= value[k] * work[column[k]];
      work[i] = sum / value[diagonal[i]];
    }
    for (let i = 0; i < size; i++) x[columnOf[i]] = work[i];
    work.fill(0);
  }

  /** Row-wise elimination in the planned layout; the step whose pivot is too small, or −1. */
  private eliminate(values: Float64Array): number {
    const { start, column, value, diagonal, work, size } = this;
    for (let i = 0; i < size; i++) {
      for (let e = this.entryStart[i]; e < this.entryStart[i + 1]; e++) {
        work[this.entryStep[e]] += values[this.entryIndex[e]];
      }
      for (let k = start[i]; k < diagonal[i]; k++) {
        const pivotRow = column[k];
        const factor = work[pivotRow] / value[diagonal[pivotRow]];
        work[pivotRow] = factor;
        if (factor === 0) continue;
        for (let u = diagonal[pivotRow] + 1; u < start[pivotRow + 1]; u++) {
          work[column[u]] -= factor * value[u];
        }
      }
      let largest = 0;
      for (let k = start[i]; k < start[i + 1]; k++) {
        const entry = work[column[k]];
        value[k] = entry;
        work[column[k]] = 0;
        if (k >= diagonal[i] && Math.abs(entry) > largest) largest = Math.abs(entry);
      }
      const pivot = Math.abs(value[diagonal[i]]);
      if (!(pivot > 0) || pivot < pivotDecay * largest) return i;
    }
    return -1;
  }

  /** Picks the pivot order for these values and lays out the filled factors. */
  private plan(values: Float64Array): void {
    const open = new OpenMatrix(this.size, this.rows, this.columns, values);
    const lower: number[][] = Array.from({ length: this.size }, () => []);
    const upper: number[][] = [];
    const stepOfColumn = new Int32Array(this.size).fill(-1);
    for (let step = 0; step < this.size; step++) {
      const { row, column } = open.pickPivot();
      this.rowOf[step] = row;
      this.columnOf[step] = column;
      stepOfColumn[column] = step;
      upper.push(open.eliminate(row, column, (other) => lower[other].push(step)));
    }
    this.layOut(lower, upper, stepOfColumn);
    this.planned = true;
  }

  private layOut(lower: number[][], upper: number[][], stepOfColumn: Int32Array): void {
    const n = this.size;
    const patterns = Array.from({ length: n }, (_, step) => [
      ...lower[this.rowOf[step]],
      step,
      ...upper[step].map((c) => stepOfColumn[c]).sort((a, b) => a - b),
    ]);
    this.start = prefixSums(patterns.map((p) => p.length));
    this.column = Int32Array.from(patterns.flat());
    this.value = new Float64Array(this.column.length);
    this.diagonal = Int32Array.from(
      patterns,
      (_, i) => this.start[i] + lower[this.rowOf[i]].length,
    );
    const stepOfRow = new Int32Array(n);
    this.rowOf.forEach((row, step) => (stepOfRow[row] = step));
    const entries: number[][] = Array.from({ length: n }, () => []);
    for (let e = 0; e < this.rows.length; e++) entries[stepOfRow[this.rows[e]]].push(e);
    this.entryStart = prefixSums(entries.map((e) => e.length));
    this.entryIndex = Int32Array.from(entries.flat());
    this.entryStep = Int32Array.from(this.entryIndex, (e) => stepOfColumn[this.columns[e]]);
    this.work.fill(0);
  }
}

function prefixSums(lengths: number[]): Int32Array<ArrayBuffer> {
  const sums = new Int32Array(lengths.length + 1);
  lengths.forEach((length, i) => (sums[i + 1] = sums[i] + length));
  return sums;
}
