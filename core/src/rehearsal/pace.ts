import type { Design, Scene } from '../design/index.js';
import { conditionsOf } from '../logic/index.js';
import { happeningSpan, isSteadyFor } from '../scene/index.js';

/** Readings while something changes, each with a look at the circuit: more would take too long. */
const mostBusy = 2_000_000;
/** Readings of all channels together: more would take too long even without looking at the circuit. */
const mostInAll = 200_000_000;
/** Happenings of a scene: each is looked at closely, and judged against the others. */
const mostHappenings = 5000;
/** Up to so many readings all are kept; of more about half as many. */
const mostKept = 2_000_000;

/** Whether rules need readings between two answers. */
export const readsAll = (design: Design): boolean => conditionsOf(design).numbers.size > 0;

/** Whether nothing but a happening can change what is felt, and rules need no reading between two answers. */
export const becomesQuiescent = (design: Design, scene: Scene): boolean =>
  isSteadyFor(design, scene) && !readsAll(design);

/**
 * Every so many readings one is kept where nothing happens: 1, all of them, unless the scene is very long.
 *
 * @throws RangeError when the scene needs more readings, or has more happenings, than can be rehearsed
 */
export function strideOf(design: Design, scene: Scene, path: 'fast' | 'full'): number {
  const { channels } = design;
  const { duration, happenings, name } = scene;
  if (happenings.length > mostHappenings)
    throw new RangeError(
      `"${name}" has ${happenings.length} happenings; at most ${mostHappenings} can be rehearsed. Make several scenes of it.`,
    );
  const fastest = Math.min(...channels.map((c) => c.every));
  const quiescent = path === 'fast' && becomesQuiescent(design, scene);
  const busy = quiescent
    ? happenings.map(happeningSpan).reduce((sum, { start, end }) => sum + end - start, 0)
    : duration;
  const told = quiescent ? 'while something happens' : 'while light, weather or a rule may change';
  refuseAbove(mostBusy, Math.min(busy, duration) / fastest, name, told);
  const all = channels.reduce((sum, { every }) => sum + duration / every, 0);
  refuseAbove(mostInAll, all, name, 'in all');
  return all > mostKept ? Math.ceil((2 * all) / mostKept) : 1;
}

function refuseAbove(most: number, readings: number, scene: string, when: string): void {
  if (!(readings > most)) return;
  throw new RangeError(
    `"${scene}" needs ${Math.round(readings)} readings ${when}; at most ${most} can be rehearsed. Shorten the scene or read less often.`,
  );
}
