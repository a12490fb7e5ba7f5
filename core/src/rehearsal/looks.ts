import type { Scene } from '../design/index.js';
import { happeningSpan, Spans } from '../scene/index.js';

/**
 * Without channels the circuit itself is looked at this often at most, s, and so many times in all: fewer where no course is taken
 * down. What acts is seen at each step of a circuit in time.
 */
const lookEvery = 0.01;
const most = { recorded: 5000, lean: 500 };
/** Of those at each happening, fewer where there are very many; the first is so soon after its beginning, s. */
const looksAtOne = { fewest: 20, most: 200 };
const startsBy = 1e-6;

/**
 * When the circuit is looked at next after `t` where nothing else brings a look, s: never past the beginning of a happening, and
 * so many times in its course.
 *
 * @param lean whether only how it comes out is wanted
 */
export function looksAt(scene: Scene, lean = false): (t: number) => number {
  const mostLooks = lean ? most.lean : most.recorded;
  const happenings = new Spans(scene.happenings.map(happeningSpan));
  const each = Math.min(
    looksAtOne.most,
    Math.max(looksAtOne.fewest, mostLooks / scene.happenings.length),
  );
  const usual = Math.max(lookEvery, scene.duration / mostLooks);
  return (t) => {
    let next = Math.min(t + usual, happenings.nextStart(t) + startsBy);
    for (const { start, end } of happenings.at(t))
      if (end > t) next = Math.min(next, t + Math.max(lookEvery, (end - start) / each));
    return next;
  };
}
