import { exact, newton, type Closeness, type Outcome, type Sorted } from './newton.js';
import { SingularMatrixError } from '../equations/index.js';
import type { System } from '../equations/index.js';

/** Which way led to the operating point. */
export type Method = 'newton' | 'gmin stepping' | 'source stepping' | 'pseudo-transient';

export interface Settled extends Outcome {
  method: Method;
}

/** Guesses that plain Newton gets where other ways are left: it settles sooner or hardly ever. */
const firstMost = 40;
/** Each step of a detour starts close to its end. */
const detourMost = 40;

type Way = (system: System, devices: Sorted, next: Float64Array, close: Closeness) => Outcome;

/**
 * Finds the operating point from the guess in `system.x`: by plain Newton; else by leading a
 * conductance from every node to ground down to nothing; else by raising all sources from zero; else
 * by letting every node creep, as if each had a capacitor, until nothing moves.
 *
 * @returns the outcome; `settled` is false when all ways failed
 * @throws SingularMatrixError when every way ends at a matrix without inverse
 */
export function operatingPoint(
  system: System,
  devices: Sorted,
  close: Closeness = exact,
  ways: readonly Method[] = ['newton', 'gmin stepping', 'source stepping', 'pseudo-transient'],
): Settled {
  const next = new Float64Array(system.x.length);
  const brief = ways.length > 1 ? { ...close, most: Math.min(close.most, firstMost) } : close;
  let last: Settled = { settled: false, iterations: 0, unconverged: 0, method: 'newton' };
  let singular: SingularMatrixError | undefined;
  for (const method of ways) {
    try {
      const tried = method === 'newton' ? brief : close;
      const { settled, iterations, unconverged } = byName[method](system, devices, next, tried);
      last = { settled, iterations, unconverged, method };
      singular = undefined;
      if (settled) return last;
    } catch (error) {
      if (!(error instanceof SingularMatrixError)) throw error;
      singular = error;
    } finally {
      system.sourceScale = 1;
    }
  }
  if (singular) throw singular;
  return last;
}

/** Takes the conductance down by some decades at a time, by fewer where that is too far. */
const gminStepping: Way = (system, devices, next, close) => {
  system.x.fill(0);
  const good = system.x.slice();
  let outcome: Outcome = { settled: false, iterations: 0, unconverged: 0 };
  for (let exponent = -2, step = 1; exponent >= -14 && step >= 0.1;) {
    outcome = newton(system, devices, next, close, { siemens: 10 ** exponent });
    if (outcome.settled) {
      good.set(system.x);
      step *= 2;
    } else {
      system.x.set(good);
      exponent += step;
      step /= 4;
    }
    exponent -= step;
  }
  return outcome.settled ? newton(system, devices, next, close) : outcome;
};

/** Raises the sources in steps that halve on failure and grow on success. */
const sourceStepping: Way = (system, devices, next, close) => {
  system.x.fill(0);
  let reached = 0;
  let step = 0.1;
  let outcome: Outcome = { settled: false, iterations: 0, unconverged: 0 };
  const good = system.x.slice();
  for (let round = 0; round < 60 && reached < 1 && step > 1e-6; round++) {
    system.sourceScale = Math.min(1, reached + step);
    outcome = newton(system, devices, next, close);
    if (outcome.settled) {
      reached = system.sourceScale;
      good.set(system.x);
      step *= 2;
    } else {
      system.x.set(good);
      step /= 4;
    }
  }
  return { ...outcome, settled: reached === 1 };
};

/**
 * Backward Euler with a capacitor imagined at every node: each step pulls the nodes towards where they
 * were, ever more weakly. Kelley and Keyes, "Convergence analysis of pseudo-transient continuation",
 * SIAM Journal on Numerical Analysis 35 (1998).
 */
const pseudoTransient: Way = (system, devices, next, close) => {
  system.x.fill(0);
  const brief = { ...close, most: detourMost };
  const towards = system.x.slice();
  let siemens = 1;
  let outcome: Outcome = { settled: false, iterations: 0, unconverged: 0 };
  for (let step = 0; step < 120 && siemens < 1e6; step++) {
    outcome = newton(system, devices, next, brief, { siemens, towards });
    if (outcome.settled) {
      towards.set(system.x);
      siemens /= 3;
      if (siemens > 1e-13) continue;
      outcome = newton(system, devices, next, close);
      if (outcome.settled) return outcome;
      siemens = 1e-6;
    } else {
      system.x.set(towards);
      siemens *= 8;
    }
  }
  return { ...outcome, settled: false };
};

const byName: Readonly<Record<Method, Way>> = {
  newton,
  'gmin stepping': gminStepping,
  'source stepping': sourceStepping,
  'pseudo-transient': pseudoTransient,
};
