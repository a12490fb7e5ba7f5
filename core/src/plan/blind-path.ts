import type { Design, Plan, Point, Scene } from '../design/index.js';
import { degrees } from '../quantity/index.js';
import { barriersOf, meets, type Segment } from '../scene/index.js';
import { dijkstra } from './dijkstra.js';
import { gridOf, type Grid } from './grid.js';
import { anywhere, type Anywhere, type Presence, type Thing } from './presence.js';
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

/** Never more than so many points are looked at on the plan. */
const mostPoints = 6000;
/** A metre that is noticed is as bad as so many metres of detour. */
const dread = 1000;

/**
 * The easiest way from any of some entrances to what is guarded: of all ways that walls leave, the one of which least is noticed,
 * and of these the shortest (on a grid with eight ways to go).
 *
 * @param scene whose light and air the sensors are in
 * @param points of the design, where they are known already
 * @returns undefined where walls leave no way, or the thing does not go
 */
export function blindPath(
  design: Design,
  scene: Scene,
  thing: Thing,
  entrances: readonly Point[],
  guarded: Point,
  points?: readonly TripPoint[],
): BlindPath | undefined {
  const walker = anywhere(thing);
  if (!walker?.goes) return undefined;
  return easiestWay(design.plan, watchersOf(design, scene, points), walker, entrances, guarded);
}

/** The same for watchers wherever they stand. */
export function easiestWay(
  plan: Plan,
  watchers: readonly Watcher[],
  walker: Anywhere,
  entrances: readonly Point[],
  guarded: Point,
): BlindPath | undefined {
  const grid = gridOf(plan, mostPoints);
  const risks = new RiskMap(grid, plan, watchers, walker);
  const goal = grid.nearest(guarded);
  const starts = entrances.map(grid.nearest);
  const steps = (at: number): Step[] => risks.from(at);
  const found = dijkstra(grid.size, starts, goal, steps, (step) => step.cost);
  if (!found) return undefined;
  const way = pulled(found.map(grid.point), (a, b) => risks.stretch(a, b));
  const legs = way.slice(1).map((to, i) => risks.stretch(way[i] ?? to, to));
  return {
    points: way,
    length: legs.reduce((sum, leg) => sum + leg.length, 0),
    noticed: legs.reduce((sum, leg) => sum + leg.noticed, 0),
    by: [...new Set(way.slice(1).flatMap((to, i) => risks.noticing(way[i] ?? to, to)))],
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

/** A straight way from one point to another. */
interface Stretch {
  /** m; Infinity where a wall is in the way. */
  length: number;
  /** Of it noticed, m. */
  noticed: number;
}

interface Step {
  to: number;
  cost: number;
}

/** What each step on a grid costs. */
class RiskMap {
  /** Of the four steps up the grid from each point: what is felt is the same there and back. NaN where nobody has looked yet. */
  private readonly known: Float64Array;
  private readonly barriers: readonly Segment[];

  constructor(
    private readonly grid: Grid,
    plan: Plan,
    private readonly watchers: readonly Watcher[],
    private readonly walker: Anywhere,
  ) {
    this.known = new Float64Array(4 * grid.size).fill(NaN);
    this.barriers = barriersOf(plan);
  }

  /** A straight way, looked at in the middle of each step of it. */
  stretch(a: Point, b: Point): Stretch {
    const far = Math.hypot(b.x - a.x, b.y - a.y);
    // Nobody stands in a wall.
    if (this.barriers.some((wall) => meets(a, b, wall)))
      return { length: Infinity, noticed: Infinity };
    const looks = this.along(a, b);
    const noticed = looks.filter((look) => this.watchers.some((w) => w.notices(look)));
    return { length: far, noticed: (far * noticed.length) / looks.length };
  }

  /** The sensors that notice something of a straight way, by part id. */
  noticing(a: Point, b: Point): string[] {
    const looks = this.along(a, b);
    const by = this.watchers.filter((w) => looks.some((look) => w.notices(look)));
    return by.map(({ part }) => part);
  }

  private along(a: Point, b: Point): (readonly Presence[])[] {
    const heading = degrees(Math.atan2(b.y - a.y, b.x - a.x));
    const n = Math.max(1, Math.round(Math.hypot(b.x - a.x, b.y - a.y) / this.grid.step));
    return Array.from({ length: n }, (_, i) => {
      const share = (i + 0.5) / n;
      const at = { x: a.x + share * (b.x - a.x), y: a.y + share * (b.y - a.y) };
      return this.walker.looks(at, heading);
    });
  }

  /** Steps from a point that no wall is in the way of. */
  from(at: number): Step[] {
    const steps: Step[] = [];
    for (const to of this.grid.beside(at)) {
      const costs = this.step(Math.min(at, to), Math.max(at, to));
      if (costs < Infinity) steps.push({ to, cost: costs });
    }
    return steps;
  }

  private step(low: number, high: number): number {
    const { columns, point } = this.grid;
    const key = 4 * low + (high === low + 1 ? 0 : high - low - columns + 2);
    const known = this.known[key] ?? NaN;
    if (!Number.isNaN(known)) return known;
    return (this.known[key] = cost(this.stretch(point(low), point(high))));
  }
}

/** So many steps of a way are looked ahead when it is drawn tight: a way that winds on and on is not looked over whole at each. */
const mostAhead = 200;

/** A way drawn tight: a point is left out where going straight past it is no more noticed, and through no wall. */
function pulled(points: readonly Point[], stretch: (a: Point, b: Point) => Stretch): Point[] {
  const at = (i: number): Point => points[i] as Point;
  // What it costs from the first point to each.
  const costs = [0];
  for (let i = 1; i < points.length; i++)
    costs.push((costs[i - 1] ?? NaN) + cost(stretch(at(i - 1), at(i))));
  const isNoWorse = (from: number, to: number): boolean =>
    cost(stretch(at(from), at(to))) <= (costs[to] ?? NaN) - (costs[from] ?? NaN) + tiny;
  const kept: Point[] = points.slice(0, 1);
  let from = 0;
  while (from < points.length - 1) {
    let to = Math.min(points.length, from + mostAhead) - 1;
    while (to > from + 1 && !isNoWorse(from, to)) to--;
    kept.push(at(to));
    from = to;
  }
  return kept;
}

/** What it costs to go there. */
export const cost = ({ length, noticed }: Pick<Stretch, 'length' | 'noticed'>): number =>
  length + dread * noticed;
/** Sums of steps differ from the whole by rounding. */
const tiny = 1e-9;
