import type { Point } from '../design/index.js';
import { meets } from './segments.js';

/**
 * Area within an outline that does not cross itself, m²: half the sum of xᵢ·yᵢ₊₁ − xᵢ₊₁·yᵢ (shoelace formula).
 *
 * @example outlineArea([{ x: 0, y: 0 }, { x: 4, y: 0 }, { x: 0, y: 3 }]) // 6
 */
export function outlineArea(outline: readonly Point[]): number {
  const twice = sidesOf(outline).reduce((sum, [a, b]) => sum + a.x * b.y - b.x * a.y, 0);
  return Math.abs(twice) / 2;
}

/** Whether a point lies within an outline: a line from it to the right meets the outline an odd number of times. */
export const isWithin = (outline: readonly Point[], { x, y }: Point): boolean =>
  sidesOf(outline).filter(
    ([a, b]) => a.y > y !== b.y > y && x < a.x + ((y - a.y) / (b.y - a.y)) * (b.x - a.x),
  ).length %
    2 ===
  1;

/** Whether sides of an outline that are not beside each other meet: then it has no inside that everybody would agree on. */
export function crossesItself(outline: readonly Point[]): boolean {
  const sides = sidesOf(outline);
  return sides.some(([a, b], i) =>
    sides.some(([c, d], j) => {
      const apart = (j - i + sides.length) % sides.length;
      return apart > 1 && apart < sides.length - 1 && meets(a, b, { from: c, to: d });
    }),
  );
}

/** From each corner to the next, and from the last to the first. */
const sidesOf = (outline: readonly Point[]): (readonly [Point, Point])[] =>
  outline.map((a, i) => [a, outline[(i + 1) % outline.length] ?? a] as const);
