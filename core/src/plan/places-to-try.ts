import { kindOf, paramsOf } from '../catalog/index.js';
import type { Design, Place, Plan, Point } from '../design/index.js';
import { edgeOf } from './blind-path.js';
import { gridOf } from './grid.js';

/** Places along edges and walls, and on the ground inside, that are tried. */
const mostSites = 60;
const mostInside = 80;
/** From a wall, m. */
const offWall = 0.05;
const facings = [0, 45, 90, 135, 180, -135, -90, -45] as const;

/** Where a sensor may be put: along the edge and on both sides of walls; of what feels all around, on the ground too. */
export function placesToTry({ plan, parts }: Design, id: string): Place[] {
  const part = parts.find((p) => p.id === id);
  const looks = part && kindOf(part).senses?.halfAngle?.(paramsOf(part)) !== undefined;
  // How high it is, and on what, stays.
  const { x: _x, y: _y, facing: _facing, ...kept } = part?.place ?? { x: 0, y: 0, facing: 0 };
  const edge = thinned(edgeOf(plan).map((p) => inside(plan, p)));
  const walls = thinned(plan.walls.flatMap(besideWall).filter((p) => within(plan, p)));
  if (looks)
    return [...edge, ...walls].flatMap((p) => facings.map((facing) => ({ ...p, ...kept, facing })));
  const { size, point } = gridOf(plan, mostInside);
  const ground = Array.from({ length: size }, (_, i) => inside(plan, point(i)));
  return [...ground, ...walls].map((p) => ({ ...p, ...kept, facing: 0 }));
}

const centimetres = (v: number): number => Math.round(v * 100) / 100;

const inside = ({ width, depth }: Plan, { x, y }: Point): Point => ({
  x: centimetres(Math.min(width - offWall, Math.max(offWall, x))),
  y: centimetres(Math.min(depth - offWall, Math.max(offWall, y))),
});

const within = ({ width, depth }: Plan, { x, y }: Point): boolean =>
  x >= 0 && y >= 0 && x <= width && y <= depth;

/** Every so many of a list, so that it is no longer than places are tried. */
const thinned = <T>(all: readonly T[]): T[] => {
  const every = Math.ceil(all.length / mostSites);
  return all.filter((_, i) => i % every === 0);
};

function besideWall({ from, to }: Plan['walls'][number]): Point[] {
  const length = Math.hypot(to.x - from.x, to.y - from.y);
  if (length === 0) return [];
  const [ux, uy] = [(to.x - from.x) / length, (to.y - from.y) / length];
  const n = Math.max(1, Math.round(length));
  return Array.from({ length: n }, (_, i) => ((i + 0.5) / n) * length).flatMap((s) =>
    [offWall, -offWall].map((off) => ({
      x: centimetres(from.x + s * ux - off * uy),
      y: centimetres(from.y + s * uy + off * ux),
    })),
  );
}
