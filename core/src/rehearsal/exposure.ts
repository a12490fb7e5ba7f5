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

/** What went on at the time, or not so long before that it has faded: within its own length, or a minute. */
function isNear(other: Happening, start: number, end: number): boolean {
  const span = happeningSpan(other);
  const fades = Math.max(60, span.end - span.start);
  return span.start <= end && span.end + fades >= start;
}

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
  const near = scene.happenings.filter((h) => h.id === happening.id || isNear(h, start, end));
  const [all, without] = [near, near.filter((h) => h.id !== happening.id)].map((happenings) => ({
    ...scene,
    happenings,
  }));
  const moment = (i: number): number => start + ((end - start) * i) / steps;
  const perceivedIn = (i: number): boolean => {
    const [real, plain] = [stimulusAt(all, moment(i)), stimulusAt(without, moment(i))];
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
