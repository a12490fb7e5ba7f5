import type { Device } from './devices/index.js';
import type { System } from './system.js';

const maxIterations = 120;
/** A guess stands when no unknown moves more than this share of itself … */
const relative = 1e-10;
/** … or than this, in V or A. */
const absolute = 1e-12;

/** How an attempt ended: iterations used and, if it did not settle, the unknown that moved most. */
export interface Outcome {
  settled: boolean;
  iterations: number;
  restless: number;
}

/**
 * Newton–Raphson on the stamped equations, from the guess in `system.x`, which it leaves at the last
 * iterate. Quadratic convergence makes the final error far smaller than the last step.
 *
 * @param shunt extra conductance from every node to ground, S
 * @param next scratch of the size of `system.x`
 * @throws SingularMatrixError
 */
export function newton(
  system: System,
  devices: readonly Device[],
  shunt: number,
  next: Float64Array,
): Outcome {
  const { x } = system;
  let restless = 0;
  for (let iteration = 1; iteration <= maxIterations; iteration++) {
    system.clear();
    for (const device of devices) device.load(system);
    system.shunt(shunt);
    system.solve(next);
    let worst = 0;
    for (let i = 0; i < system.size; i++) {
      const excess = Math.abs(next[i] - x[i]) / (relative * Math.abs(next[i]) + absolute);
      if (!(excess <= worst)) {
        worst = excess;
        restless = i;
      }
      x[i] = next[i];
    }
    if (Number.isNaN(worst)) return { settled: false, iterations: iteration, restless };
    if (worst <= 1 && !system.limited) return { settled: true, iterations: iteration, restless };
  }
  return { settled: false, iterations: maxIterations, restless };
}
