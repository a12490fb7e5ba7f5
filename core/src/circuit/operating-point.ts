import type { Device } from './devices/index.js';
import { newton, type Outcome } from './newton.js';
import type { System } from './system.js';

/** Which way led to the operating point. */
export type Method = 'newton' | 'gmin stepping' | 'source stepping';

export interface Settled extends Outcome {
  method: Method;
}

/**
 * Finds the operating point from the guess in `system.x`: by plain Newton; else by leading a
 * conductance from every node to ground down to nothing; else by raising all sources from zero.
 *
 * @returns the outcome; `settled` is false when all three ways failed
 * @throws SingularMatrixError
 */
export function operatingPoint(system: System, devices: readonly Device[]): Settled {
  const next = new Float64Array(system.x.length);
  const plain = newton(system, devices, 0, next);
  if (plain.settled) return { ...plain, method: 'newton' };
  const shunted = gminStepping(system, devices, next);
  if (shunted.settled) return { ...shunted, method: 'gmin stepping' };
  return { ...sourceStepping(system, devices, next), method: 'source stepping' };
}

function gminStepping(system: System, devices: readonly Device[], next: Float64Array): Outcome {
  system.x.fill(0);
  for (let exponent = -2; exponent >= -14; exponent--) {
    const outcome = newton(system, devices, 10 ** exponent, next);
    if (!outcome.settled) return outcome;
  }
  return newton(system, devices, 0, next);
}

/** Raises the sources in steps that halve on failure and grow on success. */
function sourceStepping(system: System, devices: readonly Device[], next: Float64Array): Outcome {
  system.x.fill(0);
  let reached = 0;
  let step = 0.1;
  let outcome: Outcome = { settled: false, iterations: 0, restless: 0 };
  const good = system.x.slice();
  while (reached < 1 && step > 1e-6) {
    system.sourceScale = Math.min(1, reached + step);
    outcome = newton(system, devices, 0, next);
    if (outcome.settled) {
      reached = system.sourceScale;
      good.set(system.x);
      step *= 2;
    } else {
      system.x.set(good);
      step /= 4;
    }
  }
  system.sourceScale = 1;
  return { ...outcome, settled: reached === 1 };
}
