import type { Scene, Happening } from '../design/index.js';
import { happeningSpan } from '../scene/index.js';
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
  const without = { ...scene, happenings: scene.happenings.filter((h) => h.id !== happening.id) };
  const { start, end } = happeningSpan(happening);
  const moment = (i: number): number => start + ((end - start) * i) / steps;
  const perceivedIn = (i: number): boolean => {
    const [real, plain] = [stimulusAt(scene, moment(i)), stimulusAt(without, moment(i))];
    return real.some(
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
