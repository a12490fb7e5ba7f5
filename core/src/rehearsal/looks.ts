import type { Scene } from '../design/index.js';
import { happeningSpan, Spans } from '../scene/index.js';

/** Without channels the circuit itself is looked at this often at most, and so many times in all, s. */
const lookEvery = 0.01;
const mostLooks = 5000;
/** Of those at each happening, fewer where there are very many; the first is so soon after its beginning, s. */
const looksAtOne = { least: 20, most: 200 };
const startsBy = 1e-6;

/**
 * When the circuit is looked at next after `t` where nothing else brings a look, s: never past the beginning of a happening, and
 * so many times in its course.
 */
export function looksAt(scene: Scene): (t: number) => number {
  const happenings = new Spans(scene.happenings.map(happeningSpan));
  const { least, most } = looksAtOne;
  const each = Math.min(most, Math.max(least, mostLooks / scene.happenings.length));
  const usual = Math.max(lookEvery, scene.duration / mostLooks);
  return (t) => {
    let next = Math.min(t + usual, happenings.nextStart(t) + startsBy);
    for (const { start, end } of happenings.at(t))
      if (end > t) next = Math.min(next, t + Math.max(lookEvery, (end - start) / each));
    return next;
  };
}
