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
/** Beginning and end are sought more closely than that, as far as steps are longer than this, s. */
const fine = 1e-3;

/**
 * Finds from when to when a happening changes what any sensor feels by more than a hundredth, by
 * comparing the scene with and without it at 2000 moments of its span, as far as that lies in the scene.
 *
 * @returns undefined when no sensor ever feels it
 */
export function exposureOf(
  happening: Happening,
  scene: Scene,
  stimulusAt: StimulusAt,
): Exposure | undefined {
  const { start, end: ends } = happeningSpan(happening);
  const end = Math.max(start, Math.min(ends, scene.duration));
  // What is over before it or begins after it makes no difference to either.
  const near = scene.happenings.filter((h) => {
    const its = happeningSpan(h);
    return its.start <= end && (its.end >= start || findHappeningKind(h.kind)?.lingers);
  });
  const real = { ...scene, happenings: near };
  const without = { ...scene, happenings: near.filter((h) => h.id !== happening.id) };
  const moment = (i: number): number => start + ((end - start) * i) / steps;
  const perceivedAt = (t: number): boolean => {
    const [met, plain] = [stimulusAt(real, t), stimulusAt(without, t)];
    return met.some(({ value, floor }, s) => {
      const usual = plain[s]?.value ?? value;
      return Math.abs(value - usual) > Math.max(floor, noticeable * Math.abs(usual));
    });
  };
  const perceivedIn = (i: number): boolean => perceivedAt(moment(i));
  let first = 0;
  while (first <= steps && !perceivedIn(first)) first++;
  if (first > steps) return undefined;
  let last = steps;
  while (last > first && !perceivedIn(last)) last--;
  return {
    start: edge(perceivedAt, moment(first), moment(Math.max(0, first - 1))),
    end: edge(perceivedAt, moment(last), moment(Math.min(steps, last + 1))),
  };
}

/** The last moment from where it is perceived towards where it is not, to `fine`. */
function edge(perceivedAt: (t: number) => boolean, yes: number, no: number): number {
  if (Math.abs(yes - no) <= fine) return yes;
  const middle = (yes + no) / 2;
  return perceivedAt(middle) ? edge(perceivedAt, middle, no) : edge(perceivedAt, yes, middle);
}
