import type { Pace } from '../pace.js';

/**
 * Steps of an 8-bit controller, in cycles: of its own for small numbers, of its compiler's functions for the others.
 *
 * Source: instructions of such chips (data sheet), the functions from memory; held against measured passes in chip.spec.ts.
 */
const cycles: Pace['steps'] = {
  bool: [3, 4, 4, 4],
  byte: [3, 4, 8, 120],
  int: [5, 8, 20, 230],
  long: [10, 18, 80, 650],
  moment: [24, 50, 300, 3600],
  real: [10, 130, 170, 520],
};

/** An 8-bit controller at a clock, Hz; `told` the time of a letter, µs, and how many are kept for sending. */
export function eightBitPace(
  hertz: number,
  brought: Readonly<Record<string, number>>,
  told: Pick<Pace, 'letter' | 'kept'>,
): Pace {
  const us = 1e6 / hertz;
  const steps = Object.fromEntries(
    Object.entries(cycles).map(([type, all]) => [type, all.map((n) => n * us)]),
  ) as unknown as Pace['steps'];
  const functions = Object.entries(brought).map(([name, n]) => [name, n * us]);
  return {
    ...{ steps, call: 14 * us, statement: 4 * us, ...told },
    brought: Object.fromEntries(functions) as Record<string, number>,
  };
}

/** A language that is read as it runs: each step takes about as long, µs (from memory). */
export const interpretedPace = (
  step: number,
  brought: Readonly<Record<string, number>>,
  told: Pick<Pace, 'letter' | 'kept'>,
): Pace => {
  const each = [step, step, step, step] as const;
  return {
    steps: { bool: each, byte: each, int: each, long: each, moment: each, real: each },
    ...{ call: 5 * step, statement: step, brought, ...told },
  };
};
