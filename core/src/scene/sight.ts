import { degrees } from '../quantity/index.js';
import type { Place, Plan, Point } from '../design/index.js';
import { angleBetween, angularResponse } from './angular-response.js';

/** Nothing comes nearer to a sensor than this, m. */
const nearest = 0.01;

/** How a point lies to something that looks one way. */
export interface Sight {
  /** m, never below a centimetre. */
  distance: number;
  /** Direction from the place to the point, degrees anticlockwise from east. */
  bearing: number;
  /** Off the axis, degrees. */
  angle: number;
}

/** Distance and angle of a point as seen from a place. */
export function sightOf(place: Place, point: Point): Sight {
  const [dx, dy] = [point.x - place.x, point.y - place.y];
  const distance = Math.hypot(dx, dy);
  const bearing = distance > 0 ? degrees(Math.atan2(dy, dx)) : place.facing;
  const angle = angleBetween(bearing, place.facing);
  return { distance: Math.max(distance, nearest), bearing, angle };
}

/** Response of a cone to a point: 1 on the axis, one half at the half-angle; 1 all around without a cone. */
export const coneResponse = (sight: Sight, halfAngle: number | undefined): number =>
  halfAngle === undefined ? 1 : angularResponse(sight.angle, halfAngle);

/** Whether a wall stands between two points. */
export const walled = (plan: Plan, a: Point, b: Point): boolean =>
  plan.walls.some((wall) => crosses(a, b, wall.from, wall.to));

function crosses(a: Point, b: Point, c: Point, d: Point): boolean {
  const side = (p: Point, q: Point, r: Point): number =>
    (q.x - p.x) * (r.y - p.y) - (q.y - p.y) * (r.x - p.x);
  return side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0;
}
