import { newton, type Closeness, type Sorted } from './newton.js';
import { operatingPoint } from './operating-point.js';
import { SingularMatrixError } from '../equations/index.js';
import type { System } from '../equations/index.js';

/**
 * Alexander's singly diagonally implicit Runge–Kutta method: three stages, third order, L-stable and
 * stiffly accurate, so that fast decays die out without ringing. It needs no rates at the start of a
 * step, and so starts anew exactly after a jump.
 *
 * Alexander, "Diagonally implicit Runge–Kutta methods for stiff O.D.E.'s", SIAM Journal on Numerical
 * Analysis 14 (1977). γ is the root of γ³ − 3γ² + 3γ/2 − 1/6 that makes it L-stable.
 */
const gamma = 0.435866521508459;
const weights = [
  -(6 * gamma ** 2 - 16 * gamma + 1) / 4,
  (6 * gamma ** 2 - 20 * gamma + 5) / 4,
  gamma,
] as const;
/** Where the stages stand within the step, evenly spaced from γ to 1. */
export const stageShares = [gamma, (1 + gamma) / 2, 1] as const;

/** A node counts as solved within a step when Newton's last move is below this; the error is its square. */
const close: Closeness = { relative: 1e-6, absolute: 1e-9, most: 30 };

/** While states are held for a jump, they stand for this rate, 1/s: a nanosecond passes. */
const frozen = 1e9;

/** Takes one step at a time; what a step found stands in `stages` and `system` until it is taken. */
export class Sdirk {
  /** States and solution at the start of the step. */
  private readonly q0: Float64Array;
  private readonly x0: Float64Array;
  /** Solution at each stage. */
  readonly stages: readonly Float64Array[];
  private readonly rises: readonly Float64Array[];
  private readonly next: Float64Array;
  iterations = 0;

  constructor(
    private readonly system: System,
    private readonly devices: Sorted,
    private readonly storing: readonly { store?(): void }[],
    /** Error per step against the size of a state. */
    private readonly relative: number,
    private readonly drift: (t: number) => void = () => undefined,
  ) {
    const { q, x } = system;
    this.q0 = q.slice();
    this.x0 = x.slice();
    this.stages = [x.slice(), x.slice(), x.slice()];
    this.rises = [q.slice(), q.slice(), q.slice()];
    this.next = x.slice();
  }

  /** Takes what stands in the system as the start of the next step. */
  take(): void {
    this.q0.set(this.system.q);
    this.x0.set(this.system.x);
  }

  /**
   * Tries a step of length `h` from `t`.
   *
   * @returns its error in units of what is allowed; Infinity when a stage could not be solved
   */
  attempt(t: number, h: number): number {
    const { system, q0, rises } = this;
    const { q, history } = system;
    const [k1, k2, k3] = rises;
    // A corner at the end belongs to the next step.
    const last = (t + h) * (1 - 1e-15);
    system.alpha = 1 / (gamma * h);
    for (let stage = 0; stage < 3; stage++) {
      const rise = rises[stage];
      for (let s = 0; s < q.length; s++) {
        let base = q0[s];
        if (stage === 1) base += ((1 - gamma) / 2) * k1[s];
        if (stage === 2) base += weights[0] * k1[s] + weights[1] * k2[s];
        rise[s] = base;
        history[s] = -system.alpha * base;
      }
      system.time = Math.min(t + stageShares[stage] * h, last);
      this.drift(system.time);
      this.predict(stage);
      if (!this.solveStage()) return Infinity;
      for (const device of this.storing) device.store?.();
      for (let s = 0; s < q.length; s++) rise[s] = (q[s] - rise[s]) / gamma;
      this.stages[stage].set(system.x);
    }
    let worst = 0;
    for (let s = 0; s < q.length; s++) {
      const error = gamma * Math.abs(k1[s] - 2 * k2[s] + k3[s]);
      const size = Math.max(Math.abs(q0[s]), Math.abs(q[s]));
      const excess = error / (system.tolerance[s] + this.relative * size);
      if (!(excess <= worst)) worst = excess;
    }
    return Number.isNaN(worst) ? Infinity : worst;
  }

  /**
   * Solves for what jumps while every state stands still: the moment just after a switch.
   *
   * @returns false when no solution was found
   */
  jump(t: number): boolean {
    const { system, q0 } = this;
    system.q.set(q0);
    system.time = t;
    this.drift(t);
    system.alpha = frozen;
    for (let s = 0; s < q0.length; s++) system.history[s] = -frozen * q0[s];
    const settled = this.solveJump();
    this.x0.set(system.x);
    return settled;
  }

  /** A value within the step just tried, by the cubic through its start and stages. */
  sample(unknown: number, share: number): number {
    if (unknown < 0) return 0;
    const [c1, c2] = stageShares;
    const u = share;
    const [x1, x2, x3] = this.stages;
    const l0 = -((u - c1) * (u - c2) * (u - 1)) / (c1 * c2);
    const l1 = (u * (u - c2) * (u - 1)) / (c1 * (c1 - c2) * (c1 - 1));
    const l2 = (u * (u - c1) * (u - 1)) / (c2 * (c2 - c1) * (c2 - 1));
    const l3 = (u * (u - c1) * (u - c2)) / ((1 - c1) * (1 - c2));
    return l0 * this.x0[unknown] + l1 * x1[unknown] + l2 * x2[unknown] + l3 * x3[unknown];
  }

  /** Start of the step, for those who look at where it came from. */
  get start(): Float64Array {
    return this.x0;
  }

  private solveJump(): boolean {
    try {
      const { settled, iterations } = operatingPoint(this.system, this.devices, close);
      this.iterations += iterations;
      return settled;
    } catch (error) {
      if (!(error instanceof SingularMatrixError)) throw error;
      return false;
    }
  }

  private solveStage(): boolean {
    try {
      const { settled, iterations } = newton(this.system, this.devices, this.next, close);
      this.iterations += iterations;
      return settled;
    } catch (error) {
      if (!(error instanceof SingularMatrixError)) throw error;
      return false;
    }
  }

  /** First guess of a stage: straight on from what came before. */
  private predict(stage: number): void {
    const { x } = this.system;
    const [x1, x2] = this.stages;
    if (stage === 0) {
      x.set(this.x0);
      return;
    }
    const ahead = stage === 1 ? stageShares[1] / stageShares[0] - 1 : 1;
    const [before, last] = stage === 1 ? [this.x0, x1] : [x1, x2];
    for (let i = 0; i < x.length; i++) x[i] = last[i] + ahead * (last[i] - before[i]);
  }
}
