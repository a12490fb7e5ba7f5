import { kindOf, paramsOf } from '../catalog/index.js';
import type { Design, Scene } from '../design/index.js';
import { snapshot, type Rehearsal } from '../rehearsal/index.js';
import { day } from './pace.js';

/** How long the electrodes of one part last. */
export interface ElectrodeLife {
  part: string;
  /** Charge that goes through them in a day, and eats one up, A·s. */
  aDay: number;
  bear: number;
  /** Until one is eaten up, s; Infinity where nothing goes through them. */
  lasts: number;
}

/**
 * How long electrodes in water last where a scene comes some times a day and the circuit rests in between: Faraday's law, all
 * current dissolving metal, and what flows to and fro making up for itself.
 *
 * @param times how often the scene comes in a day; as often as it fits in where it is more
 */
export function electrodeLives(
  design: Design,
  scene: Scene,
  { electrolysed }: Pick<Rehearsal, 'electrolysed'>,
  times: number,
): ElectrodeLife[] {
  const eaten = design.parts.flatMap((part) => {
    const { electrodes } = kindOf(part);
    const charge = electrolysed[part.id];
    return electrodes && charge !== undefined ? [{ part, electrodes, charge }] : [];
  });
  if (eaten.length === 0) return [];
  const { solution, decided } = snapshot(design, scene);
  // What is dimmed at rest stands there as if it were on: then it goes on as in the scene.
  const dimmed = Object.values(decided.outputs).some((share) => share > 0 && share < 1);
  const scenes = Math.min(times, day / scene.duration);
  const resting = day - scenes * scene.duration;
  return eaten.map(({ part, electrodes, charge }) => {
    const params = paramsOf(part);
    const solved = solution.parts[part.id];
    const settled = solved ? electrodes.amps(solved, params) : 0;
    const atRest = dimmed ? charge / scene.duration : settled;
    const aDay = Math.abs(scenes * charge + resting * atRest);
    const bear = electrodes.coulombs(params);
    return { part: part.id, aDay, bear, lasts: aDay > 0 ? (day * bear) / aDay : Infinity };
  });
}
