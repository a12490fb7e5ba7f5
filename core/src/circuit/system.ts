import { SparseLU } from './sparse-lu.js';

/**
 * The equations of modified nodal analysis: one row per node (currents leaving sum to what is fed
 * in) and one per branch whose current is itself unknown (voltage sources).
 *
 * Ho, Ruehli and Brennan, "The modified nodal approach to network analysis", IEEE Trans. Circuits
 * and Systems 22 (1975). Ground is index `ground`, one past the last unknown: it reads 0 V, and what
 * is stamped there goes to a slot that is never looked at.
 */
export class System {
  private readonly rows: number[] = [0];
  private readonly columns: number[] = [0];
  private readonly slots = new Map<number, number>();
  private branches = 0;
  private lu?: SparseLU;
  private live = new Float64Array(0);
  /** Entry values by slot; slot 0 is the one that is never looked at. */
  values = new Float64Array(1);
  rhs = new Float64Array(1);
  /** The present guess, with a zero for ground at the end. */
  x = new Float64Array(1);
  /** Set by a device that could not follow the guess this time. */
  limited = false;
  /** Share of full strength of all sources, for source stepping. */
  sourceScale = 1;

  /** @param nodes count of nodes without ground; the index of ground is known after `seal` */
  constructor(readonly nodes: number) {}

  /** Adds an unknown branch current and returns its index. To be called before `seal`. */
  addBranch(): number {
    this.branches += 1;
    return this.nodes + this.branches - 1;
  }

  /** The slot for a matrix entry; −1 stands for ground until it is sealed. */
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

  /** Fixes the pattern; afterwards only values change. */
  seal(): void {
    for (let i = 0; i < this.nodes; i++) this.slot(i, i);
    const size = this.size;
    this.values = new Float64Array(this.rows.length);
    this.rhs = new Float64Array(size + 1);
    this.x = new Float64Array(size + 1);
    this.live = this.values.subarray(1);
    this.lu = new SparseLU(size, this.rows.slice(1), this.columns.slice(1));
  }

  get size(): number {
    return this.nodes + this.branches;
  }

  /** Where a node stands in `x` and `rhs`: ground behind all unknowns. */
  at(node: number): number {
    return node < 0 ? this.size : node;
  }

  clear(): void {
    this.values.fill(0);
    this.rhs.fill(0);
    this.limited = false;
  }

  /** Adds a conductance from every node to ground, a crutch for gmin stepping. */
  shunt(siemens: number): void {
    if (siemens === 0) return;
    for (let i = 0; i < this.nodes; i++) this.values[this.slot(i, i)] += siemens;
  }

  /**
   * Solves the stamped equations into `next`.
   *
   * @throws SingularMatrixError
   */
  solve(next: Float64Array): void {
    if (!this.lu) throw new Error('seal() must come before solve().');
    this.lu.factor(this.live);
    this.lu.solve(this.rhs, next);
  }
}
