import { degrees } from '../quantity/index.js';
import { consecutive, type Point } from '../design/index.js';

/** Where something on its way is, and the way it goes there: degrees anticlockwise from east. */
export interface OnPath extends Point {
  heading: number;
}

/**
 * Length of a way, m.
 *
 * @example pathLength([{ x: 0, y: 0 }, { x: 3, y: 4 }]) // 5
 */
export const pathLength = (path: readonly Point[]): number =>
  consecutive(path).reduce((sum, [a, b]) => sum + Math.hypot(b.x - a.x, b.y - a.y), 0);

/**
 * The place a distance along a way of straight stretches.
 *
 * @param along m from the first point
 * @returns undefined before the first and behind the last point
 * @example alongPath([{ x: 0, y: 0 }, { x: 3, y: 4 }], 2.5)?.x // 1.5
 */
export function alongPath(path: readonly Point[], along: number): OnPath | undefined {
  let left = along;
  if (left < 0) return undefined;
  for (let i = 1; i < path.length; i++) {
    const [a, b] = [path[i - 1], path[i]];
    if (!a || !b) break;
    const length = Math.hypot(b.x - a.x, b.y - a.y);
    if (left <= length && length > 0) {
      const share = left / length;
      const heading = degrees(Math.atan2(b.y - a.y, b.x - a.x));
      return { x: a.x + share * (b.x - a.x), y: a.y + share * (b.y - a.y), heading };
    }
    left -= length;
  }
  return undefined;
}
