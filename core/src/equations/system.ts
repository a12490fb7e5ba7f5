import { SparseLU } from './sparse-lu.js';

/** 25 °C, where part values hold. */
export const roomKelvin = 298.15;

/** An imbalance that only rounding makes, A. */
const roundingAmps = 1e-17;

/**
 * The equations of modified nodal analysis: one row per node (currents leaving sum to what is fed
 * in), one per branch whose current is itself unknown, and one for whatever else a device does not
 * know (a filament's temperature, a motor's speed).
 *
 * Ho, Ruehli and Brennan, "The modified nodal approach to network analysis", IEEE Trans. Circuits
 * and Systems 22 (1975). Ground is index `size`, one past the last unknown: it reads 0 V, and what
 * is stamped there goes to a slot that is never looked at.
 *
 * What takes time is a list of *states*: charges, fluxes, heat. A device stamps the rate of a state q
 * as `alpha`·q + `history`, whatever q is; the integrator sets both. At an operating point they are
 * zero: nothing changes.
 */
export class System {
  private readonly rows: number[] = [0];
  private readonly columns: number[] = [0];
  private readonly slots = new Map<number, number>();
  private branches = 0;
  private lu?: SparseLU;
  private live = new Float64Array(0);
  private shunted = new Int32Array(0);
  private diagonal = new Int32Array(0);
  private keptValues = new Float64Array(0);
  private keptRhs = new Float64Array(0);
  private residual = new Float64Array(0);
  private turnover = new Float64Array(0);
  private correction = new Float64Array(0);
  private readonly stateTolerance: number[] = [];
  /** Entry values by slot; slot 0 is the one that is never looked at. */
  values = new Float64Array(1);
  rhs = new Float64Array(1);
  /** The present guess, with a zero for ground at the end. */
  x = new Float64Array(1);
  /** States at the last solved moment, and the part of their rates that does not depend on them. */
  q = new Float64Array(0);
  history = new Float64Array(0);
  /** Absolute error of each state that does not matter. */
  tolerance = new Float64Array(0);
  /** Rate of a state per state, 1/s; 0 at an operating point. */
  alpha = 0;
  /** s from the start of the run. */
  time = 0;
  kelvin = roomKelvin;
  /** Set by a device that could not follow the guess this time. */
  limited = false;
  /** Share of full strength of all sources, for source stepping. */
  sourceScale = 1;

  /** @param nodes count of nodes without ground */
  constructor(readonly nodes: number) {}

  /** Adds an unknown that is not a node's voltage and returns its index. To be called before `seal`. */
  addBranch(): number {
    this.branches += 1;
    return this.nodes + this.branches - 1;
  }

  /**
   * Adds a state and returns its index. To be called before `seal`.
   *
   * @param tolerance absolute error that does not matter, in the state's unit
   */
  addState(tolerance: number): number {
    this.stateTolerance.push(tolerance);
    return this.stateTolerance.length - 1;
  }

  /** The slot for a matrix entry; ground is −1. */
  slot(row: number, column: number): number {
    if (row < 0 || column < 0) return 0;
    const key = row * 65536 + column;
    let slot = this.slots.get(key);
    if (slot === undefined) {
      slot = this.rows.length;
      this.rows.push(row);
      this.columns.push(column);
      this.slots.set(key, slot);
    }
    return slot;
  }

  /**
   * Fixes the pattern; afterwards only values change.
   *
   * @param electrical nodes that carry currents and may be shunted; all when left out
   */
  seal(electrical?: readonly number[]): void {
    this.shunted = Int32Array.from(electrical ?? Array.from({ length: this.nodes }, (_, i) => i));
    this.diagonal = this.shunted.map((i) => this.slot(i, i));
    const { size } = this;
    this.values = new Float64Array(this.rows.length);
    this.rhs = new Float64Array(size + 1);
    this.keptValues = new Float64Array(this.rows.length);
    this.keptRhs = new Float64Array(size + 1);
    this.x = new Float64Array(size + 1);
    this.residual = new Float64Array(size);
    this.turnover = new Float64Array(size);
    this.correction = new Float64Array(size);
    this.live = this.values.subarray(1);
    this.q = new Float64Array(this.stateTolerance.length);
    this.history = new Float64Array(this.stateTolerance.length);
    this.tolerance = Float64Array.from(this.stateTolerance);
    this.lu = new SparseLU(size, this.rows.slice(1), this.columns.slice(1));
  }

  get size(): number {
    return this.nodes + this.branches;
  }

  /** Where an unknown stands in `x` and `rhs`: ground behind all others. */
  at(node: number): number {
    return node < 0 ? this.size : node;
  }

  /** Rate of a state for its present value, per second. */
  rate(state: number, q: number): number {
    return this.alpha * q + this.history[state];
  }

  clear(): void {
    this.values.fill(0);
    this.rhs.fill(0);
    this.limited = false;
  }

  /** Remembers what is stamped so far: the part that does not depend on the guess. */
  keep(): void {
    this.keptValues.set(this.values);
    this.keptRhs.set(this.rhs);
  }

  /** Back to what was kept. */
  recall(): void {
    this.values.set(this.keptValues);
    this.rhs.set(this.keptRhs);
    this.limited = false;
  }

  /** Adds a conductance from every electrical node to ground, and so pulls it to `towards`. */
  shunt(siemens: number, towards?: Float64Array): void {
    if (siemens === 0) return;
    for (let k = 0; k < this.shunted.length; k++) {
      const node = this.shunted[k];
      this.values[this.diagonal[k]] += siemens;
      if (towards) this.rhs[node] += siemens * towards[node];
    }
  }

  /**
   * Solves the stamped equations into `next`.
   *
   * @throws SingularMatrixError
   */
  solve(next: Float64Array): void {
    this.factor();
    this.resolve(next);
  }

  /**
   * Factors the stamped matrix.
   *
   * @throws SingularMatrixError
   */
  factor(): void {
    this.factors().factor(this.live);
  }

  /** Solves the equations as they were factored, with what is on the right now. */
  resolve(next: Float64Array): void {
    this.factors().solve(this.rhs, next);
  }

  /**
   * Takes what rounding has left of a solution of the same equations off it: one step of iterative refinement, after which each
   * equation is met to the last digits of its own terms, not of the largest in the matrix (Skeel, "Iterative refinement implies
   * numerical stability for Gaussian elimination", Mathematics of Computation 35, 1980).
   */
  refine(solution: Float64Array): void {
    const { residual, size } = this;
    this.leave(solution);
    for (let i = 0; i < size; i++) residual[i] = -residual[i];
    this.factors().solve(residual, this.correction);
    for (let i = 0; i < size; i++) solution[i] += this.correction[i];
  }

  /** Whether the guess meets the stamped equations but for a share of what flows. */
  balanced(share: number): boolean {
    const { size, residual, turnover } = this;
    this.leave(this.x);
    for (let i = 0; i < size; i++) {
      if (!(Math.abs(residual[i]) <= roundingAmps + share * turnover[i])) return false;
    }
    return true;
  }

  /** Works out what a solution leaves of each equation, and how much flows in it. */
  private leave(solution: Float64Array): void {
    const { rows, columns, values, rhs, size, residual, turnover } = this;
    for (let i = 0; i < size; i++) {
      residual[i] = -rhs[i];
      turnover[i] = Math.abs(rhs[i]);
    }
    for (let e = 1; e < rows.length; e++) {
      const term = values[e] * solution[columns[e]];
      residual[rows[e]] += term;
      turnover[rows[e]] += Math.abs(term);
    }
  }

  /** Place in the matrix of every entry, for analyses that build their own. */
  pattern(): { rows: readonly number[]; columns: readonly number[]; values: Float64Array } {
    return { rows: this.rows.slice(1), columns: this.columns.slice(1), values: this.live };
  }

  private factors(): SparseLU {
    if (!this.lu) throw new Error('seal() must come before solve().');
    return this.lu;
  }
}
