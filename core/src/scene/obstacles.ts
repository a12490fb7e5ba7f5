import type {
  Material,
  Opening,
  OpeningKind,
  Plan,
  Point,
  RaisedPoint,
  Wall,
} from '../design/index.js';
import { distanceToStretch } from './shadow.js';
import { cross, crossedAt, withinCircle, type Segment } from './segments.js';

/** What stands on a plan between two points. */
export type Obstacles = Pick<Plan, 'walls' | 'trees'>;

/** What the openings of walls are of. */
const openingOf: Readonly<Record<OpeningKind, Material | undefined>> = {
  door: 'wood',
  window: 'glass',
  gap: undefined,
};

/** Height over the ground at a share of the way between two points, where both tell theirs. */
export const heightAt = (a: RaisedPoint, b: RaisedPoint, share: number): number | undefined =>
  a.z === undefined || b.z === undefined ? undefined : a.z + share * (b.z - a.z);

/** What a straight way that crosses a wall goes through: a material, what nobody has said, or nothing at all. */
export function metOf(
  wall: Wall,
  a: RaisedPoint,
  b: RaisedPoint,
): Material | 'unknown' | undefined {
  const { height, openings, material = 'unknown' } = wall;
  // Most walls are plain, and this is asked for every wall from everywhere.
  if (height === undefined && !openings?.length) return material;
  const way = { from: a, to: b };
  const z = heightAt(a, b, crossedAt(way, wall));
  if (height !== undefined && z !== undefined && z > height) return undefined;
  const opening = openingAt(wall, crossedAt(wall, way), z);
  return opening ? openingOf[opening.kind] : material;
}

/** The opening of a wall at a share of its length, and at a height where that is known. */
function openingAt(wall: Wall, share: number, z: number | undefined): Opening | undefined {
  const along = share * lengthOf(wall);
  return wall.openings?.find(
    (o) =>
      along >= o.along &&
      along <= o.along + o.width &&
      (z === undefined || (z >= o.bottom && z <= o.top)),
  );
}

/** m. */
export const lengthOf = ({ from, to }: Segment): number => Math.hypot(to.x - from.x, to.y - from.y);

/**
 * By how much the straight way between two points misses the top of a wall that it crosses, m: above 0 where it goes over; and how far the
 * wall is from the first of them. Undefined where it does not cross it, or heights are not told.
 */
export function overWall(
  wall: Wall,
  a: RaisedPoint,
  b: RaisedPoint,
): { clear: number; from: number } | undefined {
  if (wall.height === undefined || !crosses(wall, a, b)) return undefined;
  const way = { from: a, to: b };
  const share = crossedAt(way, wall);
  const z = heightAt(a, b, share);
  return z === undefined ? undefined : { clear: z - wall.height, from: share * lengthOf(way) };
}

/** What walls are of that stand between two points, one after the other; doors, panes and gaps for what they are. */
export const materialsBetween = (
  { walls }: Pick<Plan, 'walls'>,
  a: RaisedPoint,
  b: RaisedPoint,
): (Material | 'unknown')[] =>
  walls.flatMap((wall) => (crosses(wall, a, b) ? (metOf(wall, a, b) ?? []) : []));

export const crosses = ({ from, to }: Segment, a: RaisedPoint, b: RaisedPoint): boolean =>
  cross(a.x, a.y, b.x, b.y, from.x, from.y, to.x, to.y);

/** How far a straight way goes through leaves, m. */
export function leavesBetween(
  { trees }: Pick<Plan, 'trees'>,
  a: RaisedPoint,
  b: RaisedPoint,
): number {
  if (!trees?.length) return 0;
  const far = lengthOf({ from: a, to: b });
  return trees.reduce((sum, { at, radius, height }) => {
    const within = withinCircle(a, b, at, radius);
    if (!within) return sum;
    const [enters, leaves] = within;
    const lowest = Math.min(heightAt(a, b, enters) ?? 0, heightAt(a, b, leaves) ?? 0);
    return lowest > height ? sum : sum + (leaves - enters) * far;
  }, 0);
}

/** One steps over what is lower than this, m. */
const stepsOver = 0.5;

/** One comes in through a wall at an entrance that is so near to it, as wide as a door, m. */
const entranceAt = 0.3;
const doorway = 0.8;

type Walked = Pick<Plan, 'walls' | 'entrances'>;
const barriers = new WeakMap<Walked, Segment[]>();

/**
 * The pieces of walls that nobody goes through: all of them but doors and gaps that begin near the ground, entrances, and hills, which one
 * walks over.
 */
export function barriersOf(plan: Walked): readonly Segment[] {
  const known = barriers.get(plan);
  if (known) return known;
  const fresh = plan.walls.flatMap((wall) => {
    if (wall.material === 'earth') return [];
    const ways = [
      ...(wall.openings ?? []).filter(isPassable),
      ...entrancesIn(wall, plan.entrances ?? []),
    ];
    return piecesOf(wall, ways).filter(({ opening }) => !opening);
  });
  barriers.set(plan, fresh);
  return fresh;
}

function entrancesIn(wall: Wall, entrances: readonly Point[]): Opening[] {
  const length = lengthOf(wall);
  return entrances.flatMap((entrance): Opening[] => {
    const { distance, share } = distanceToStretch(entrance, wall.from, wall.to);
    if (distance > entranceAt || share < 0 || share > 1) return [];
    const along = Math.max(0, share * length - doorway / 2);
    return [{ kind: 'gap', along, width: doorway, bottom: 0, top: doorway }];
  });
}

const isPassable = ({ kind, bottom }: Opening): boolean => kind !== 'window' && bottom < stepsOver;

/** A piece of a wall from its first end to its last: solid where it tells no opening. */
export interface WallPiece extends Segment {
  opening?: Opening;
}

/** A wall cut where some of its openings begin and end. */
export function piecesOf(wall: Wall, openings: readonly Opening[]): WallPiece[] {
  const { from, to } = wall;
  const length = lengthOf(wall);
  if (length === 0) return [{ from, to }];
  const at = (along: number): Point => {
    const share = along / length;
    // Its ends are its own: walls that meet leave no gap by rounding.
    if (share >= 1) return to;
    return { x: from.x + share * (to.x - from.x), y: from.y + share * (to.y - from.y) };
  };
  const pieces: WallPiece[] = [];
  let done = 0;
  for (const opening of [...openings].sort((a, b) => a.along - b.along)) {
    const ends = Math.min(length, opening.along + opening.width);
    if (opening.along > done) pieces.push({ from: at(done), to: at(opening.along) });
    if (ends > done)
      pieces.push({ from: at(Math.max(done, opening.along)), to: at(ends), opening });
    done = Math.max(done, ends);
  }
  if (done < length) pieces.push({ from: at(done), to: at(length) });
  return pieces;
}
