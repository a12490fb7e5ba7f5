import { degrees, radians } from '../quantity/index.js';
import type { Quantity } from '../catalog/index.js';
import type { Material, Place, RaisedPoint } from '../design/index.js';
import { angleBetween, angularResponse } from './angular-response.js';
import { leavesLoss, radioLoss, wallKinds } from './materials.js';
import { leavesBetween, metOf, type Obstacles } from './obstacles.js';
import { cross } from './segments.js';

/** Nothing comes nearer to a sensor than this, m. */
const nearest = 0.01;

/** How a point lies to something that looks one way. */
export interface Sight {
  /** m, never below a centimetre. */
  distance: number;
  /** Direction from the place to the point on the plan, degrees anticlockwise from the right. */
  bearing: number;
  /** Off the axis, degrees. */
  angle: number;
  /** Cosine of how far up or down it lies: 1 for what is level. */
  level: number;
}

/**
 * Distance and angle of a point as seen from a place. Where one of them does not tell its height, both are taken to be as high, and
 * the place to look there level.
 */
export function sightOf(place: Place, point: RaisedPoint): Sight {
  const [dx, dy] = [point.x - place.x, point.y - place.y];
  const flat = Math.hypot(dx, dy);
  const bearing = flat > 0 ? degrees(Math.atan2(dy, dx)) : place.facing;
  const angle = angleBetween(bearing, place.facing);
  if (place.z === undefined || point.z === undefined)
    return { distance: Math.max(flat, nearest), bearing, angle, level: 1 };
  const rise = point.z - place.z;
  const distance = Math.hypot(flat, rise);
  if (distance === 0) return { distance: nearest, bearing, angle: 0, level: 1 };
  const tilt = radians(place.tilt ?? 0);
  const along =
    (flat * Math.cos(radians(angle)) * Math.cos(tilt) - rise * Math.sin(tilt)) / distance;
  return {
    distance: Math.max(distance, nearest),
    bearing,
    angle: degrees(Math.acos(Math.min(1, Math.max(-1, along)))),
    level: flat / distance,
  };
}

/** Response of a cone to a point: 1 on the axis, one half at the half-angle; 1 all around without a cone. */
export const coneResponse = (sight: Sight, halfAngle: number | undefined): number =>
  halfAngle === undefined ? 1 : angularResponse(sight.angle, halfAngle);

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
const hiddenByLeaves: ReadonlySet<Quantity> = new Set<Quantity>([...seen, 'heat', 'distance']);
const passesThrough: ReadonlySet<Quantity> = new Set<Quantity>(['echo', 'vibration', 'sound']);

interface Through {
  plan: Obstacles;
  a: RaisedPoint;
  b: RaisedPoint;
  quantity: Quantity;
  left: number;
}
/** What was asked for last: while something turns on a spot, the same is asked for again and again. */
let last: Through | undefined;

const isSame = (p: RaisedPoint, q: RaisedPoint): boolean =>
  p.x === q.x && p.y === q.y && p.z === q.z;

/**
 * What is left, behind all the walls and trees between two points, of something that a receiver senses: of sound its pressure, of an
 * echo, which passes them twice, its amplitude.
 */
export function throughWalls(
  plan: Obstacles,
  a: RaisedPoint,
  b: RaisedPoint,
  quantity: Quantity,
): number {
  if (last?.plan === plan && last.quantity === quantity && isSame(last.b, b) && isSame(last.a, a))
    return last.left;
  const left = leftThrough(plan, a, b, quantity);
  const [from, to] = [a, b].map(({ x, y, z }) => ({ x, y, z })) as [RaisedPoint, RaisedPoint];
  last = { plan, a: from, b: to, quantity, left };
  return left;
}

function leftThrough(plan: Obstacles, a: RaisedPoint, b: RaisedPoint, quantity: Quantity): number {
  const { walls } = plan;
  let left = plan.trees?.length ? throughLeaves(leavesBetween(plan, a, b), quantity) : 1;
  // Asked for every wall from everywhere: numbers are read off the points once.
  const [ax, ay, bx, by] = [a.x, a.y, b.x, b.y];
  for (const wall of walls) {
    const { from, to } = wall;
    if (!cross(ax, ay, bx, by, from.x, from.y, to.x, to.y)) continue;
    const material = metOf(wall, a, b);
    if (material) left *= throughWall(material, quantity);
    if (left === 0) return 0;
  }
  return left;
}

function throughWall(material: Material | 'unknown', quantity: Quantity): number {
  // There and back.
  const times = quantity === 'reflection' ? 2 : 1;
  if (seen.has(quantity)) return material === 'unknown' ? 0 : wallKinds[material].light ** times;
  if (!passesThrough.has(quantity)) return 0;
  if (material === 'unknown' || quantity === 'vibration') return unknownLeaves;
  const twice = quantity === 'echo' ? 2 : 1;
  const decibels = twice === 2 ? radioLoss(material, microwave) : wallKinds[material].sound;
  return 10 ** ((-twice * decibels) / 20);
}

/** Leaves hide what is seen, take from an echo there and back, and leave the rest. */
function throughLeaves(metres: number, quantity: Quantity): number {
  if (metres === 0) return 1;
  if (hiddenByLeaves.has(quantity)) return 0;
  return quantity === 'echo' ? 10 ** ((-2 * leavesLoss(metres, microwave)) / 20) : 1;
}
