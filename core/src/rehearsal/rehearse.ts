import type { Design, Scene } from '../design/index.js';
import { Play, type Path } from './play.js';
import { judgeRun, rehearsalOf, usedIn } from './played.js';
import type { Outcomes, Rehearsal, Used } from './rehearsal.js';

/**
 * Plays a scene against the circuit and the controller. Same seed, same result.
 *
 * @param onProgress told the share done, 0 … 1, now and then
 * @param path 'full' looks at the settled circuit at every reading, 'fast' only when something may have changed; both give
 *   the same. 'time' follows the circuit in time instead: what takes time in it takes that time. 'coarse' is as 'fast', but takes what is
 *   felt as it was until it has changed by a two-hundredth: enough to compare two designs, in a part of the time
 * @throws RangeError when the scene needs more readings than can be rehearsed
 */
export function rehearse(
  design: Design,
  scene: Scene,
  onProgress?: (share: number) => void,
  path: Path = 'fast',
): Rehearsal {
  return rehearsalOf(new Play(design, scene, path).run(onProgress));
}

/** As `rehearse`, but tells only how it came out: that is less work. */
export const judgeScene = (design: Design, scene: Scene, path: Path): Outcomes =>
  judgeRun(new Play(design, scene, path, { lean: true }).run());

/** As `judgeScene`, in time, with what was used up. */
export function useScene(design: Design, scene: Scene): Outcomes & Used {
  const play = new Play(design, scene, 'time', { lean: true }).run();
  return { ...judgeRun(play), ...usedIn(play) };
}
