import { kindOf, paramsOf } from '../catalog/index.js';
import { runTransient, type Run } from '../circuit/index.js';
import { consecutive, type Design } from '../design/index.js';
import type { Snapshot } from './snapshot.js';

/** How a net swings that never rests. */
export interface Oscillation {
  /** Rises a second, Hz. */
  hertz: number;
  /** Share of the time above the middle of its swing. */
  duty: number;
  low: number;
  high: number;
}

/** Runs of these lengths are tried, s, until one shows a rhythm. */
const spans = [1e-3, 1e-2, 0.1, 1, 10];
/** Rises that make a rhythm. */
const enough = 4;
/** A swing below this is none, V. */
const least = 0.05;
/** Nothing comes up any more where nothing reaches higher at the end than before, but for this share. */
const sameSwing = 0.05;
/** Steps after which a run is given up. */
const mostSteps = 20_000;

/** Whether something in a design swings by itself, so that no steady value tells what is there. */
export const oscillates = (design: Design, { solution }: Snapshot): boolean =>
  solution.problems.some((p) => p.kind === 'oscillates') ||
  design.parts.some((p) => kindOf(p).waves?.(paramsOf(p)));

/**
 * Frequency and duty of every net that swings, from a run in time that begins without power; controller pins
 * stay inputs. The first half of the run is left out, as things settle in it; it counts once nothing comes up any more.
 *
 * @returns by net name; empty when nothing swings within ten seconds
 */
export function oscillations(
  design: Design,
  stimulus: Snapshot['stimulus'],
): Record<string, Oscillation> {
  for (const until of spans) {
    let steps = 0;
    const keepGoing = (): boolean => ++steps < mostSteps;
    const run = runTransient(design, { until, from: 'dead', stimulus, moments: 4000, keepGoing });
    const found = Object.entries(run.nets).flatMap(([net, volts]) => {
      const oscillation = oscillationOf(run, volts);
      return oscillation ? [[net, oscillation] as const] : [];
    });
    if (found.length > 0 && !Object.values(run.nets).some((volts) => comesUp(run, volts)))
      return Object.fromEntries(found);
    if (run.halt) return {};
  }
  return {};
}

/** Whether a net still comes up in the second half of a run. */
function comesUp({ times, end }: Run, volts: readonly number[]): boolean {
  const highest = (from: number, to: number): number =>
    Math.max(
      ...volts.filter((_, i) => {
        const t = times[i] ?? NaN;
        return t >= from * end && t <= to * end;
      }),
    );
  return highest(0.75, 1) - highest(0.5, 0.75) > sameSwing * Math.abs(highest(0.75, 1)) + least;
}

function oscillationOf({ times, end }: Run, volts: readonly number[]): Oscillation | undefined {
  const first = times.findIndex((t) => t >= end / 2);
  if (first < 0) return undefined;
  const v = volts.slice(first);
  const points = times.slice(first).map((t, i) => ({ t, v: v[i] ?? NaN }));
  const [low, high] = [Math.min(...v), Math.max(...v)];
  if (!(high - low > least)) return undefined;
  const middle = (low + high) / 2;
  const rises: number[] = [];
  const falls: number[] = [];
  for (const [a, b] of consecutive(points)) {
    if (a.v <= middle === b.v <= middle) continue;
    const at = a.t + ((b.t - a.t) * (middle - a.v)) / (b.v - a.v);
    (b.v > middle ? rises : falls).push(at);
  }
  const [begin, last] = [rises.at(0), rises.at(-1)];
  if (rises.length < enough || begin === undefined || last === undefined) return undefined;
  const period = (last - begin) / (rises.length - 1);
  const up = rises.slice(0, -1).map((rise) => (falls.find((f) => f > rise) ?? rise) - rise);
  const duty = up.reduce((sum, time) => sum + time, 0) / up.length / period;
  return { hertz: 1 / period, duty, low, high };
}
