import { degrees } from '../quantity/index.js';
import type { Quantity } from '../catalog/index.js';
import type { Place, Plan, Point, Wall } from '../design/index.js';
import { angleBetween, angularResponse } from './angular-response.js';
import { radioLoss, wallKinds } from './materials.js';

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

/** The walls that stand between two points. */
export const wallsBetween = ({ walls }: Pick<Plan, 'walls'>, a: Point, b: Point): Wall[] =>
  walls.filter(({ from, to }) => cross(a.x, a.y, b.x, b.y, from.x, from.y, to.x, to.y));

/** What passes walls of what nobody has said what they are of: thin ones let radio waves through, and the ground carries steps. */
const unknownLeaves = 0.5;
/** Emitters and receivers of echoes, Hz. */
const microwave = 10.525e9;

const seen: ReadonlySet<Quantity> = new Set<Quantity>([
  'light',
  'infrared',
  'carrier',
  'reflection',
]);
const passesThrough: ReadonlySet<Quantity> = new Set<Quantity>(['echo', 'vibration', 'sound']);

/**
 * What is left, behind all the walls between two points, of something that a receiver senses: of sound its pressure, of an echo,
 * which passes them twice, its amplitude.
 */
export function throughWalls({ walls }: Plan, a: Point, b: Point, quantity: Quantity): number {
  if (walls.length === 0) return 1;
  // Asked for every wall from everywhere: numbers are read off the points once.
  const [ax, ay, bx, by] = [a.x, a.y, b.x, b.y];
  let left = 1;
  for (const wall of walls) {
    const { from, to } = wall;
    if (!cross(ax, ay, bx, by, from.x, from.y, to.x, to.y)) continue;
    left *= throughWall(wall, quantity);
    if (left === 0) return 0;
  }
  return left;
}

function throughWall({ material }: Wall, quantity: Quantity): number {
  // There and back.
  const times = quantity === 'reflection' ? 2 : 1;
  if (seen.has(quantity)) return material ? wallKinds[material].light ** times : 0;
  if (!passesThrough.has(quantity)) return 0;
  if (!material || quantity === 'vibration') return unknownLeaves;
  const twice = quantity === 'echo' ? 2 : 1;
  const decibels = twice === 2 ? radioLoss(material, microwave) : wallKinds[material].sound;
  return 10 ** ((-twice * decibels) / 20);
}

/** Twice the area of the triangle of three points: above 0 where the third lies to the left of the way from the first to the second. */
const side = (px: number, py: number, qx: number, qy: number, rx: number, ry: number): number =>
  (qx - px) * (ry - py) - (qy - py) * (rx - px);

/** Whether the straight ways from a to b and from c to d cross within both. */
function cross(
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

/** Whether a straight way meets a wall, be it only with its end. */
export function meets(a: Point, b: Point, { from: c, to: d }: Wall): boolean {
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
