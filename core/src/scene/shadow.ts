import type { Point } from '../design/index.js';

/**
 * Share of a round beam that an opaque disc in plan view takes away: the part of the beam's opening
 * on the far side of the disc's edge, taken as straight (circular segment).
 *
 * @param offset from the middle of the body to the middle of the beam, m
 * @param bodyRadius m
 * @param beamRadius m
 * @returns 0 (clear) … 1 (dark)
 * @example shadedShare(0.5, 0.5, 1) // 0.5
 */
export function shadedShare(offset: number, bodyRadius: number, beamRadius: number): number {
  const far = segmentShare((bodyRadius - offset) / beamRadius);
  const near = segmentShare((-bodyRadius - offset) / beamRadius);
  return far - near;
}

/** Share of a unit disc on the left of a line at distance `d` to the right of its middle. */
function segmentShare(d: number): number {
  if (d <= -1) return 0;
  if (d >= 1) return 1;
  return 1 - (Math.acos(d) - d * Math.sqrt(1 - d * d)) / Math.PI;
}

/** Distance of a point from the stretch between two others, at which share of it its foot lies, and whether that is on it. */
export function distanceToStretch(
  point: Point,
  a: Point,
  b: Point,
): { distance: number; share: number; between: boolean } {
  const length = Math.hypot(b.x - a.x, b.y - a.y);
  if (length === 0)
    return { distance: Math.hypot(point.x - a.x, point.y - a.y), share: 0, between: false };
  const ux = (b.x - a.x) / length;
  const uy = (b.y - a.y) / length;
  const along = (point.x - a.x) * ux + (point.y - a.y) * uy;
  const distance = Math.abs((point.x - a.x) * uy - (point.y - a.y) * ux);
  return { distance, share: along / length, between: along >= 0 && along <= length };
}
