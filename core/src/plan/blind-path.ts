import type { Design, Plan, Point, Scene, Wall } from '../design/index.js';
import { degrees } from '../quantity/index.js';
import type { Body } from '../scene/index.js';
import { bodyOf, type Thing } from './coverage.js';
import { watchersOf, type TripPoint, type Watcher } from './watchers.js';

/** A way on the plan, and how much of it is noticed. */
export interface BlindPath {
  points: Point[];
  /** m. */
  length: number;
  /** Of it noticed, m. */
  noticed: number;
  /** The sensors that notice something of it, by part id. */
  by: string[];
}

/** Steps of a way, m: never more than so many points on the plan. */
const finest = 0.1;
const mostPoints = 6000;
/** A metre that is noticed is as bad as so many metres of detour. */
const dread = 1000;

const moves = [
  [1, 0],
  [0, 1],
  [-1, 0],
  [0, -1],
  [1, 1],
  [-1, 1],
  [-1, -1],
  [1, -1],
] as const;

/**
 * The easiest way from any of some entrances to what is guarded: of all ways that walls leave, the one of which least is noticed,
 * and of these the shortest (Dijkstra, Numerische Mathematik 1, 1959, on a grid with eight ways to go).
 *
 * @param scene whose light and air the sensors are in
 * @param points of the design, where they are known already
 * @returns undefined where walls leave no way, or the thing has no body
 */
export function blindPath(
  design: Design,
  scene: Scene,
  thing: Thing,
  entrances: readonly Point[],
  guarded: Point,
  points?: readonly TripPoint[],
): BlindPath | undefined {
  const body = bodyOf(thing);
  if (!body) return undefined;
  const grid = gridOf(design.plan);
  const watchers = watchersOf(design, scene, points);
  const risks = new RiskMap(grid, design.plan, watchers, body);
  const goal = grid.nearest(guarded);
  const found = dijkstra(grid.size, entrances.map(grid.nearest), goal, (at) => risks.from(at));
  if (!found) return undefined;
  const way = pulled(found.map(grid.point), (a, b) => risks.stretch(a, b));
  const legs = way.slice(1).map((to, i) => risks.stretch(way[i] ?? to, to));
  return {
    points: way,
    length: legs.reduce((sum, leg) => sum + leg.length, 0),
    noticed: legs.reduce((sum, leg) => sum + leg.noticed, 0),
    by: [...new Set(legs.flatMap((leg) => leg.by))],
  };
}

/** Points all along the edge of a plan, a metre apart at most: where one can come in when nothing else is said. */
export function edgeOf({ width, depth }: Pick<Plan, 'width' | 'depth'>): Point[] {
  const along = (length: number): number[] => {
    const n = Math.ceil(length);
    return Array.from({ length: n + 1 }, (_, i) => (i * length) / n);
  };
  return [
    ...along(width).flatMap((x) => [
      { x, y: 0 },
      { x, y: depth },
    ]),
    ...along(depth).flatMap((y) => [
      { x: 0, y },
      { x: width, y },
    ]),
  ];
}

interface Grid {
  size: number;
  /** Between its points, m. */
  step: number;
  columns: number;
  rows: number;
  point: (i: number) => Point;
  nearest: (point: Point) => number;
}

function gridOf({ width, depth }: Design['plan']): Grid {
  const step = Math.max(finest, Math.sqrt((width * depth) / mostPoints));
  const [columns, rows] = [Math.floor(width / step) + 1, Math.floor(depth / step) + 1];
  const [dx, dy] = [width / Math.max(1, columns - 1), depth / Math.max(1, rows - 1)];
  const place = (v: number, d: number, n: number): number =>
    Math.min(n - 1, Math.max(0, Math.round(v / d)));
  return {
    ...{ size: columns * rows, step, columns, rows },
    point: (i) => ({ x: (i % columns) * dx, y: Math.floor(i / columns) * dy }),
    nearest: ({ x, y }) => place(y, dy, rows) * columns + place(x, dx, columns),
  };
}

/** A straight way from one point to another. */
interface Stretch {
  /** m; Infinity where a wall is in the way. */
  length: number;
  /** Of it noticed, m. */
  noticed: number;
  by: string[];
}

/** What each step on a grid costs. */
class RiskMap {
  constructor(
    private readonly grid: Grid,
    private readonly plan: Design['plan'],
    private readonly watchers: readonly Watcher[],
    private readonly body: (at: Point, heading: number) => Body,
  ) {}

  /** A straight way, looked at in the middle of each step of it. */
  stretch(a: Point, b: Point): Stretch {
    const far = Math.hypot(b.x - a.x, b.y - a.y);
    if (this.plan.walls.some((wall) => touches(a, b, wall)))
      return { length: Infinity, noticed: Infinity, by: [] };
    const heading = degrees(Math.atan2(b.y - a.y, b.x - a.x));
    const n = Math.max(1, Math.round(far / this.grid.step));
    const seen = Array.from({ length: n }, (_, i) => {
      const share = (i + 0.5) / n;
      const at = { x: a.x + share * (b.x - a.x), y: a.y + share * (b.y - a.y) };
      return this.noticing(this.body(at, heading));
    });
    const noticed = seen.filter((by) => by.length > 0).length;
    return { length: far, noticed: (far * noticed) / n, by: seen.flat() };
  }

  private noticing(body: Body): string[] {
    return this.watchers.filter((w) => w.notices(body)).map((w) => w.part);
  }

  /** Steps from a point that no wall is in the way of. */
  from(at: number): { to: number; cost: number }[] {
    const { columns, rows, point } = this.grid;
    const [column, row] = [at % columns, Math.floor(at / columns)];
    return moves.flatMap(([right, up]) => {
      const [x, y] = [column + right, row + up];
      if (x < 0 || y < 0 || x >= columns || y >= rows) return [];
      const to = y * columns + x;
      const { length, noticed } = this.stretch(point(at), point(to));
      return length < Infinity ? [{ to, cost: length + dread * noticed }] : [];
    });
  }
}

/** Whether a step meets a wall, be it only with its end: nobody stands in a wall. */
function touches(a: Point, b: Point, { from, to }: Wall): boolean {
  const side = (p: Point, q: Point, r: Point): number =>
    (q.x - p.x) * (r.y - p.y) - (q.y - p.y) * (r.x - p.x);
  const [c, d, e, f] = [side(a, b, from), side(a, b, to), side(from, to, a), side(from, to, b)];
  const apart = (axis: 'x' | 'y'): boolean =>
    Math.max(a[axis], b[axis]) < Math.min(from[axis], to[axis]) ||
    Math.min(a[axis], b[axis]) > Math.max(from[axis], to[axis]);
  return c * d <= 0 && e * f <= 0 && !apart('x') && !apart('y');
}

/** The cheapest way from any start to a goal; undefined where there is none. */
export function dijkstra(
  size: number,
  starts: readonly number[],
  goal: number,
  from: (at: number) => { to: number; cost: number }[],
): number[] | undefined {
  const cost = new Float64Array(size).fill(Infinity);
  const before = new Int32Array(size).fill(-1);
  const heap = new Heap();
  for (const start of starts) {
    cost[start] = 0;
    heap.push(start, 0);
  }
  for (let next = heap.pop(); next; next = heap.pop()) {
    const { item: at, key } = next;
    if (at === goal) break;
    if (key > (cost[at] ?? Infinity)) continue;
    for (const step of from(at)) {
      const through = key + step.cost;
      if (through >= (cost[step.to] ?? Infinity)) continue;
      cost[step.to] = through;
      before[step.to] = at;
      heap.push(step.to, through);
    }
  }
  if (cost[goal] === Infinity) return undefined;
  const way: number[] = [];
  for (let at = goal; at >= 0; at = before[at] ?? -1) way.unshift(at);
  return way;
}

/** A binary heap: the smallest key comes out first. */
class Heap {
  private readonly nodes: { item: number; key: number }[] = [];

  push(item: number, key: number): void {
    const { nodes } = this;
    let i = nodes.length;
    nodes.push({ item, key });
    while (i > 0) {
      const up = (i - 1) >> 1;
      if ((nodes[up]?.key ?? -Infinity) <= key) break;
      this.swap(i, up);
      i = up;
    }
  }

  pop(): { item: number; key: number } | undefined {
    const { nodes } = this;
    const [top] = nodes;
    const last = nodes.pop();
    if (!top || !last || nodes.length === 0) return top;
    nodes[0] = last;
    let i = 0;
    for (;;) {
      const [left, right] = [2 * i + 1, 2 * i + 2];
      let least = i;
      if (this.key(left) < this.key(least)) least = left;
      if (this.key(right) < this.key(least)) least = right;
      if (least === i) return top;
      this.swap(i, least);
      i = least;
    }
  }

  private key(i: number): number {
    return this.nodes[i]?.key ?? Infinity;
  }

  private swap(i: number, j: number): void {
    const [a, b] = [this.nodes[i], this.nodes[j]];
    if (!a || !b) return;
    this.nodes[i] = b;
    this.nodes[j] = a;
  }
}

/** A way drawn tight: a point is left out where going straight past it is no more noticed, and through no wall. */
function pulled(points: readonly Point[], stretch: (a: Point, b: Point) => Stretch): Point[] {
  const kept: Point[] = points.slice(0, 1);
  let from = 0;
  while (from < points.length - 1) {
    let to = from + 1;
    let along = cost(stretch(at(from), at(to)));
    for (let next = to + 1; next < points.length; next++) {
      along += cost(stretch(at(next - 1), at(next)));
      if (cost(stretch(at(from), at(next))) <= along + tiny) to = next;
    }
    kept.push(at(to));
    from = to;
  }
  return kept;

  function at(i: number): Point {
    return points[i] as Point;
  }
}

const cost = ({ length, noticed }: Stretch): number => length + dread * noticed;
/** Sums of steps differ from the whole by rounding. */
const tiny = 1e-9;
