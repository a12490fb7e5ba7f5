import type { Device } from '../element/index.js';
import type { System } from '../equations/index.js';

/** When a guess stands: no unknown moves more than a share of itself, or than an amount in V or A. */
export interface Closeness {
  relative: number;
  absolute: number;
  /** Guesses after which it is given up. */
  most: number;
}

/** For operating points. Quadratic convergence makes the error far smaller than the last step. */
export const exact: Closeness = { relative: 1e-10, absolute: 1e-12, most: 100 };

/** Where less is enough: the error is still far smaller than the last step, a microvolt or so. */
export const close: Closeness = { relative: 1e-6, absolute: 1e-9, most: 100 };

/** Devices by whether their equations depend on the guess. */
export interface Sorted {
  linear: readonly Device[];
  nonlinear: readonly Device[];
}

/** How an attempt ended: iterations used and, if it did not settle, an unknown that still moved. */
export interface Outcome {
  settled: boolean;
  iterations: number;
  unconverged: number;
}

/** A conductance from every node towards a voltage: 0 V, or where `towards` says. */
export interface Shunt {
  siemens: number;
  towards?: Float64Array;
}

/** Guesses after which balanced currents are good enough, and how well: so much of how close unknowns are to come. */
const relaxedFrom = 8;
const balance = 1e-3;

const none: Shunt = { siemens: 0 };

/**
 * Newton–Raphson on the stamped equations, from the guess in `system.x`, which it leaves at the last
 * iterate. Hot: allocates nothing but its result.
 *
 * @param next scratch of the size of `system.x`
 * @throws SingularMatrixError
 */
export function newton(
  system: System,
  devices: Sorted,
  next: Float64Array,
  close: Closeness = exact,
  shunt: Shunt = none,
): Outcome {
  const { x, size } = system;
  const { linear, nonlinear } = devices;
  const { relative, absolute, most } = close;
  system.clear();
  for (let d = 0; d < linear.length; d++) linear[d].load(system);
  system.shunt(shunt.siemens, shunt.towards);
  if (nonlinear.length === 0) {
    system.solve(x);
    x[size] = 0;
    return { settled: x.every(Number.isFinite), iterations: 1, unconverged: 0 };
  }
  system.keep();
  let unconverged = 0;
  for (let iteration = 1; iteration <= most; iteration++) {
    if (iteration > 1) system.recall();
    for (let d = 0; d < nonlinear.length; d++) nonlinear[d].load(system);
    // A node that next to nothing holds never stands still to the last digit: its currents decide.
    if (iteration >= relaxedFrom && !system.limited && system.balanced(balance * relative)) {
      return { settled: true, iterations: iteration, unconverged };
    }
    system.solve(next);
    if (iteration >= relaxedFrom) system.refine(next);
    let moving = -1;
    for (let i = 0; i < size; i++) {
      const value = next[i];
      // Written so that a value that is no number counts as unconverged.
      if (!(Math.abs(value - x[i]) <= relative * Math.abs(value) + absolute)) moving = i;
      x[i] = value;
    }
    if (moving < 0 && !system.limited) return { settled: true, iterations: iteration, unconverged };
    if (moving < 0) continue;
    unconverged = moving;
    if (Number.isNaN(x[moving])) return { settled: false, iterations: iteration, unconverged };
  }
  return { settled: false, iterations: most, unconverged };
}
