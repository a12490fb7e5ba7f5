import type { Design, Scene } from '../design/index.js';
import { Grain } from './grain.js';
import { becomesQuiescent, readsAll } from './pace.js';
import { quiescentUntil } from './quiescent.js';
import type { Path } from './play.js';

/** Where something goes on fading after a happening it is asked again after this time, s. */
const unsteadyFor = 1;
/** On the coarse path stillness is looked for at least so far ahead, s. */
const leastAhead = 0.1;

/** For how long nothing that is felt changes, so that readings can be taken without a look at the circuit. */
export class Stillness {
  /** Until when it can be still from a moment on: that moment itself where it cannot. */
  readonly until: (t: number) => number;
  /** Before this it need not be asked for, s: something that has happened goes on fading. */
  unsteady = 0;
  /** How far ahead it is looked for, s. */
  private ahead = Infinity;
  private readonly coarse: boolean;

  constructor(design: Design, scene: Scene, path: Path) {
    this.coarse = path === 'coarse';
    this.until = untilOf(design, scene, path);
  }

  /** How far from a moment it is asked for, s. */
  reach(t: number): number {
    return Math.min(this.until(t), t + this.ahead);
  }

  /** Whether what is felt stays as it is from a moment until another. */
  lasts(t: number, until: number, isSameAt: (times: readonly number[]) => boolean): boolean {
    // Coarsely as far ahead as it may be: it is not asked again until then.
    const end = this.coarse ? this.reach(t) : until;
    const still = isSameAt([t, (t + end) / 2, end - 1e-6]);
    if (this.coarse) this.ahead = still ? 2 * this.ahead : Math.max(leastAhead, (end - t) / 2);
    const again = this.coarse ? this.ahead : unsteadyFor;
    if (!still) this.unsteady = Math.min(this.until(t), t + again);
    return still;
  }
}

function untilOf(design: Design, scene: Scene, path: Path): (t: number) => number {
  const never = (t: number): number => t;
  const rests = becomesQuiescent(design, scene) ? quiescentUntil(scene) : never;
  if (path === 'full' || readsAll(design)) return never;
  return path === 'coarse' ? slowlyUntil(design, scene, rests) : rests;
}

/**
 * Also in the course of happenings: to the next corner in the course of the scene, and no farther than a circuit in time follows what
 * is under way in one step.
 */
function slowlyUntil(
  design: Design,
  scene: Scene,
  rests: (t: number) => number,
): (t: number) => number {
  const grain = new Grain(design, scene);
  return (t) => {
    const corner = grain.next(t);
    return Math.max(rests(t), Math.min(scene.duration, corner, t + grain.longestStep));
  };
}
