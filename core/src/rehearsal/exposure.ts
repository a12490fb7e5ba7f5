import type { Scene, Happening } from '../design/index.js';
import { findHappeningKind, happeningSpan } from '../scene/index.js';
import type { StimulusAt } from './verdict.js';

/** When a happening really changes what some sensor feels. */
export interface Exposure {
  start: number;
  end: number;
}

/** A change below this share goes unnoticed by the score, as does one below the quantity's floor. */
const noticeable = 0.01;
const steps = 2000;

/**
 * Finds from when to when a happening changes what any sensor feels by more than a hundredth, by
 * comparing the scene with and without it at 2000 moments of its span.
 *
 * @returns undefined when no sensor ever feels it
 */
export function exposureOf(
  happening: Happening,
  scene: Scene,
  stimulusAt: StimulusAt,
): Exposure | undefined {
  const { start, end } = happeningSpan(happening);
  // What is over before it or begins after it makes no difference to either.
  const near = scene.happenings.filter((h) => {
    const its = happeningSpan(h);
    return its.start <= end && (its.end >= start || findHappeningKind(h.kind)?.lingers);
  });
  const real = { ...scene, happenings: near };
  const without = { ...scene, happenings: near.filter((h) => h.id !== happening.id) };
  const moment = (i: number): number => start + ((end - start) * i) / steps;
  const perceivedIn = (i: number): boolean => {
    const [met, plain] = [stimulusAt(real, moment(i)), stimulusAt(without, moment(i))];
    return met.some(
      ({ value, floor }, s) =>
        Math.abs(value - plain[s].value) > Math.max(floor, noticeable * Math.abs(plain[s].value)),
    );
  };
  let first = 0;
  while (first <= steps && !perceivedIn(first)) first++;
  if (first > steps) return undefined;
  let last = steps;
  while (last > first && !perceivedIn(last)) last--;
  return { start: moment(first), end: moment(last) };
}
