import { SingularMatrixError } from './singular-matrix.js';

/** A pivot may be this much smaller than the largest entry of its row and still be chosen for sparsity. */
const pivotThreshold = 1e-3;
/** Rows that are looked at for each pivot once one has been found. */
const looks = 4;

/**
 * What is left of a matrix while it is eliminated for the first time, by rows and columns. Picks pivots
 * by least Markowitz count (r−1)(c−1) among the shortest rows: Zlatev, "On some pivotal strategies in
 * Gaussian elimination by sparse technique", SIAM Journal on Numerical Analysis 17 (1980).
 */
export class OpenMatrix {
  private readonly rows: Map<number, number>[];
  /** Open rows that have an entry in each column. */
  private readonly columns: Set<number>[];
  /** Open rows by their count of entries. */
  private readonly byCount: Set<number>[];

  /** Entries at the same place add up. */
  constructor(
    size: number,
    rows: ArrayLike<number>,
    columns: ArrayLike<number>,
    values: ArrayLike<number>,
  ) {
    this.rows = Array.from({ length: size }, () => new Map());
    this.columns = Array.from({ length: size }, () => new Set());
    this.byCount = Array.from({ length: size + 1 }, () => new Set());
    for (let e = 0; e < rows.length; e++) {
      const row = this.rows[rows[e]];
      row.set(columns[e], (row.get(columns[e]) ?? 0) + values[e]);
      this.columns[columns[e]].add(rows[e]);
    }
    this.rows.forEach((row, r) => this.byCount[row.size].add(r));
  }

  /** @throws SingularMatrixError when no open row has an entry that is not zero */
  pickPivot(): { row: number; column: number } {
    let best = { row: -1, column: -1 };
    let bestCost = Infinity;
    let bestSize = 0;
    let looked = 0;
    let stuck = -1;
    for (let count = 0; count < this.byCount.length; count++) {
      if (bestCost <= (count - 1) ** 2) break;
      for (const r of this.byCount[count]) {
        const row = this.rows[r];
        let largest = 0;
        for (const v of row.values()) largest = Math.max(largest, Math.abs(v));
        if (!(largest > 0)) {
          stuck = r;
          continue;
        }
        for (const [c, v] of row) {
          const size = Math.abs(v) / largest;
          if (!(size >= pivotThreshold)) continue;
          const cost = (count - 1) * (this.columns[c].size - 1);
          if (cost < bestCost || (cost === bestCost && size > bestSize)) {
            best = { row: r, column: c };
            bestCost = cost;
            bestSize = size;
          }
        }
        looked += 1;
        if (looked >= looks && best.row >= 0) return best;
      }
    }
    if (best.row < 0) throw new SingularMatrixError(stuck);
    return best;
  }

  /**
   * Takes a pivot out and clears its column from the rows that stay open.
   *
   * @param touched told of each such row
   * @returns the columns of the pivot's row, without its own
   */
  eliminate(pivot: number, column: number, touched: (row: number) => void): number[] {
    const pivotRow = this.rows[pivot];
    const pivotValue = pivotRow.get(column) ?? 0;
    this.byCount[pivotRow.size].delete(pivot);
    for (const c of pivotRow.keys()) this.columns[c].delete(pivot);
    pivotRow.delete(column);
    for (const r of this.columns[column]) {
      const row = this.rows[r];
      touched(r);
      this.byCount[row.size].delete(r);
      const factor = (row.get(column) ?? 0) / pivotValue;
      row.delete(column);
      for (const [c, v] of pivotRow) {
        row.set(c, cancel(row.get(c) ?? 0, factor * v));
        this.columns[c].add(r);
      }
      this.byCount[row.size].add(r);
    }
    return [...pivotRow.keys()];
  }
}

/** a − b, with the rounding dust of an exact cancellation swept to zero so that it is never a pivot. */
function cancel(a: number, b: number): number {
  const difference = a - b;
  return Math.abs(difference) < 4e-16 * (Math.abs(a) + Math.abs(b)) ? 0 : difference;
}
