import type { Point } from '../design/index.js';

/** Twice the area of the triangle of three points: above 0 where the third lies to the left of the way from the first to the second. */
const side = (px: number, py: number, qx: number, qy: number, rx: number, ry: number): number =>
  (qx - px) * (ry - py) - (qy - py) * (rx - px);

/** Whether the straight ways from a to b and from c to d cross within both. Numbers, as it is asked for every wall from everywhere. */
export function cross(
  ax: number,
  ay: number,
  bx: number,
  by: number,
  cx: number,
  cy: number,
  dx: number,
  dy: number,
): boolean {
  if (side(ax, ay, bx, by, cx, cy) * side(ax, ay, bx, by, dx, dy) >= 0) return false;
  return side(cx, cy, dx, dy, ax, ay) * side(cx, cy, dx, dy, bx, by) < 0;
}

/** A straight way from one point to another. */
export interface Segment {
  from: Point;
  to: Point;
}

/** At which share of the first of two ways that cross it meets the other. */
export function crossedAt({ from: a, to: b }: Segment, { from: c, to: d }: Segment): number {
  const [before, after] = [side(c.x, c.y, d.x, d.y, a.x, a.y), side(c.x, c.y, d.x, d.y, b.x, b.y)];
  return before / (before - after);
}

/** Whether a straight way meets another, be it only with its end. */
export function meets(a: Point, b: Point, { from: c, to: d }: Segment): boolean {
  if (Math.max(a.x, b.x) < Math.min(c.x, d.x) || Math.min(a.x, b.x) > Math.max(c.x, d.x))
    return false;
  if (Math.max(a.y, b.y) < Math.min(c.y, d.y) || Math.min(a.y, b.y) > Math.max(c.y, d.y))
    return false;
  const [ends, points] = [
    side(a.x, a.y, b.x, b.y, c.x, c.y) * side(a.x, a.y, b.x, b.y, d.x, d.y),
    side(c.x, c.y, d.x, d.y, a.x, a.y) * side(c.x, c.y, d.x, d.y, b.x, b.y),
  ];
  return ends <= 0 && points <= 0;
}

/**
 * How much of the straight way from a to b lies within a circle: the shares at which it enters and leaves.
 *
 * @returns undefined where it only touches the circle, or misses it
 */
export function withinCircle(
  a: Point,
  b: Point,
  centre: Point,
  radius: number,
): readonly [number, number] | undefined {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const [fx, fy] = [a.x - centre.x, a.y - centre.y];
  const square = dx * dx + dy * dy;
  const half = fx * dx + fy * dy;
  const under = half * half - square * (fx * fx + fy * fy - radius * radius);
  if (square === 0 || under <= 0) return undefined;
  const root = Math.sqrt(under);
  const [enters, leaves] = [
    Math.max(0, (-half - root) / square),
    Math.min(1, (-half + root) / square),
  ];
  return enters < leaves ? [enters, leaves] : undefined;
}
