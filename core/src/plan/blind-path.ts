import type { Design, Point, Scene, Wall } from '../design/index.js';
import { degrees } from '../quantity/index.js';
import type { Body } from '../scene/index.js';
import { bodyOf, type Thing } from './coverage.js';
import { watchersOf, type Watcher } from './watchers.js';

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
 * @returns undefined where walls leave no way, or the thing has no body
 */
export function blindPath(
  design: Design,
  scene: Scene,
  thing: Thing,
  entrances: readonly Point[],
  guarded: Point,
): BlindPath | undefined {
  const body = bodyOf(thing);
  if (!body) return undefined;
  const grid = gridOf(design.plan);
  const watchers = watchersOf(design, scene);
  const risks = new RiskMap(grid, design.plan, watchers, body);
  const goal = grid.nearest(guarded);
  const found = dijkstra(grid.size, entrances.map(grid.nearest), goal, (at) => risks.from(at));
  if (!found) return undefined;
  const points = found.map(grid.point);
  const legs = found.slice(1).map((to, i) => risks.leg(found[i] ?? to, to));
  return {
    points: straightened(points),
    length: legs.reduce((sum, leg) => sum + leg.length, 0),
    noticed: legs.reduce((sum, leg) => sum + (leg.by.length > 0 ? leg.length : 0), 0),
    by: [...new Set(legs.flatMap((leg) => leg.by))],
  };
}

interface Grid {
  size: number;
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
    ...{ size: columns * rows, columns, rows },
    point: (i) => ({ x: (i % columns) * dx, y: Math.floor(i / columns) * dy }),
    nearest: ({ x, y }) => place(y, dy, rows) * columns + place(x, dx, columns),
  };
}

interface Leg {
  to: number;
  length: number;
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

  /** A step from one point to the next: noticed where its middle is. */
  leg(from: number, to: number): Leg {
    const [a, b] = [this.grid.point(from), this.grid.point(to)];
    const heading = degrees(Math.atan2(b.y - a.y, b.x - a.x));
    const there = this.body({ x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 }, heading);
    const by = this.watchers.filter((w) => w.notices(there)).map((w) => w.part);
    return { to, length: Math.hypot(b.x - a.x, b.y - a.y), by };
  }

  /** Steps from a point that no wall is in the way of. */
  from(at: number): { to: number; cost: number }[] {
    const { columns, rows, point } = this.grid;
    const [column, row] = [at % columns, Math.floor(at / columns)];
    return moves.flatMap(([right, up]) => {
      const [x, y] = [column + right, row + up];
      if (x < 0 || y < 0 || x >= columns || y >= rows) return [];
      const to = y * columns + x;
      if (this.plan.walls.some((wall) => touches(point(at), point(to), wall))) return [];
      const { length, by } = this.leg(at, to);
      return [{ to, cost: length * (by.length > 0 ? 1 + dread : 1) }];
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

/** Without the points at which a way goes straight on. */
function straightened(points: readonly Point[]): Point[] {
  return points.filter((p, i) => {
    const [a, b] = [points[i - 1], points[i + 1]];
    if (!a || !b) return true;
    return Math.abs((p.x - a.x) * (b.y - p.y) - (p.y - a.y) * (b.x - p.x)) > 1e-9;
  });
}
