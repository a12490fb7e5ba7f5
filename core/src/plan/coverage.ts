import type { Design, Point, Scene } from '../design/index.js';
import { crossesItself, isWithin } from '../scene/index.js';
import { anywhere, type Thing } from './presence.js';
import { watchersOf, type TripPoint } from './watchers.js';

/** At most so many cells, and none smaller than this, m. */
const mostCells = 4000;
const smallest = 0.05;
/** Ways to go that are tried: what is felt is the same there and back. */
const headings = [0, 45, 90, 135] as const;

/** Which sensors notice something, by where on the plan it is. */
export interface Coverage {
  /** Of the plan, m; and how many cells there are from west to east and from south to north. */
  width: number;
  depth: number;
  columns: number;
  rows: number;
  /** For each cell, row by row from the south-west: how many sensors notice it whichever way it goes, and some way at least. */
  surely: Uint8Array;
  perhaps: Uint8Array;
  /** Of the whole plan. */
  area: Area;
  /** The same of each room whose outline does not cross itself, as cells with their middle in it. */
  rooms: { name: string; area: Area }[];
}

/** m² of ground: noticed by none, surely by one, surely by two or more, and only by the way something goes. */
export interface Area {
  never: number;
  once: number;
  twice: number;
  byTheWay: number;
}

/** Centre of a cell. */
export const centreOf = (
  { width, depth, columns, rows }: Pick<Coverage, 'width' | 'depth' | 'columns' | 'rows'>,
  i: number,
): Point => ({
  x: (((i % columns) + 0.5) * width) / columns,
  y: ((Math.floor(i / columns) + 0.5) * depth) / rows,
});

/**
 * Where on the plan something is noticed: in each cell of a grid the same physics and the same circuit as in a rehearsal are asked
 * whether it would trip a channel there, going four ways.
 *
 * @param scene whose light and air the sensors are in
 * @param points of the design, where they are known already
 * @returns undefined for what is at no place
 */
export function coverage(
  design: Design,
  scene: Scene,
  thing: Thing,
  points?: readonly TripPoint[],
): Coverage | undefined {
  const there = anywhere(thing);
  if (!there) return undefined;
  const { width, depth } = design.plan;
  const cell = Math.max(smallest, Math.sqrt((width * depth) / mostCells));
  const [columns, rows] = [width, depth].map((side) => Math.max(1, Math.round(side / cell))) as [
    number,
    number,
  ];
  const grid = { width, depth, columns, rows };
  const watchers = watchersOf(design, scene, points);
  const [surely, perhaps] = [new Uint8Array(columns * rows), new Uint8Array(columns * rows)];
  for (let i = 0; i < surely.length; i++) {
    const at = centreOf(grid, i);
    const looks = headings.map((heading) => there.looks(at, heading));
    for (const watcher of watchers) {
      if (watcher.isUnfelt(looks[0] ?? [])) continue;
      // What stands, or is felt alike whichever way it goes, is looked at once.
      const ways = there.goes && watcher.byHeading ? looks : looks.slice(0, 1);
      const noticed = ways.filter((look) => watcher.notices(look)).length;
      if (noticed > 0) perhaps[i] = (perhaps[i] ?? 0) + 1;
      if (noticed === ways.length) surely[i] = (surely[i] ?? 0) + 1;
    }
  }
  const each = (width * depth) / surely.length;
  const areaOf = (outline?: readonly Point[]): Area =>
    areasOf(surely, perhaps, each, (i) => !outline || isWithin(outline, centreOf(grid, i)));
  const rooms = (design.plan.rooms ?? []).filter(({ outline }) => !crossesItself(outline));
  return {
    ...{ ...grid, surely, perhaps, area: areaOf() },
    rooms: rooms.map(({ name, outline }) => ({ name, area: areaOf(outline) })),
  };
}

function areasOf(
  surely: Uint8Array,
  perhaps: Uint8Array,
  each: number,
  counts: (cell: number) => boolean,
): Area {
  const area = { never: 0, once: 0, twice: 0, byTheWay: 0 };
  surely.forEach((sure, i) => {
    if (!counts(i)) return;
    const sort =
      sure >= 2 ? 'twice' : sure === 1 ? 'once' : (perhaps[i] ?? 0) > 0 ? 'byTheWay' : 'never';
    area[sort] += each;
  });
  return area;
}
