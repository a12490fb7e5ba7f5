import type { Quantity } from '../catalog/index.js';
import {
  runTransient,
  solveOnce,
  voltsAt,
  type Drive,
  type PartPeaks,
  type Run,
  type Solution,
} from '../circuit/index.js';
import { sketch } from './small.js';

/** Parts as for `sketch`, wires in one string, "from to; from to". */
export const solve = (parts: readonly string[], wires: string): Solution =>
  solveOnce(sketch(parts, wires.split('; ')));

export const volts = (solution: Solution, ref: string): number => voltsAt(solution, ref) ?? NaN;

/** Something felt that goes to 10, enough for any contact, at one time and back to 0 at another. */
export const pulse = (part: string, stimulus: Quantity, on: number, off = 1e9): Drive => ({
  part,
  of: { stimulus },
  times: [0, on, on, off, off],
  values: [0, 0, 10, 10, 0],
});

/** In time, from the steady state, with every step kept. */
export const run = (
  parts: readonly string[],
  wires: string,
  until: number,
  drives: Drive[] = [],
): Run => runTransient(sketch(parts, wires.split('; ')), { until, drives, moments: 1e6 });

/** In time, from the moment power comes on. */
export const dead = (parts: readonly string[], wires: string, until: number): Run =>
  runTransient(sketch(parts, wires.split('; ')), { until, from: 'dead', moments: 1e6 });

export function peak(result: Run, part: string): PartPeaks {
  const found = result.peaks.find((p) => p.part === part);
  if (!found) throw new Error(`There is no ${part}.`);
  return found;
}
