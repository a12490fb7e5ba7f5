import type { Scene, Happening } from '../design/index.js';
import { happeningSpan } from '../scene/index.js';
import type { FeltAt } from './verdict.js';

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
  feltAt: FeltAt,
): Exposure | undefined {
  const without = { ...scene, happenings: scene.happenings.filter((h) => h.id !== happening.id) };
  const { start, end } = happeningSpan(happening);
  let exposure: Exposure | undefined;
  for (let i = 0; i <= steps; i++) {
    const t = start + ((end - start) * i) / steps;
    const [real, plain] = [feltAt(scene, t), feltAt(without, t)];
    const felt = real.some(
      (f, s) =>
        Math.abs(f.value - plain[s].value) >
        Math.max(f.floor, noticeable * Math.abs(plain[s].value)),
    );
    if (felt) exposure = { start: exposure?.start ?? t, end: t };
  }
  return exposure;
}
