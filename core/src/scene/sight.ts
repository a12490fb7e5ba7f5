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
  walls.filter((wall) => crosses(a, b, wall.from, wall.to));

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
export const throughWalls = (plan: Plan, a: Point, b: Point, quantity: Quantity): number =>
  wallsBetween(plan, a, b).reduce((left, wall) => left * throughWall(wall, quantity), 1);

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

function crosses(a: Point, b: Point, c: Point, d: Point): boolean {
  const side = (p: Point, q: Point, r: Point): number =>
    (q.x - p.x) * (r.y - p.y) - (q.y - p.y) * (r.x - p.x);
  return side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0;
}
