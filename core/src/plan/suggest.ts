import type { Design, Place, Plan, Point, Scene } from '../design/index.js';
import { degrees } from '../quantity/index.js';
import { meets } from '../scene/index.js';
import { cost, easiestWay, edgeOf, type BlindPath } from './blind-path.js';
import { dijkstra } from './dijkstra.js';
import { gridOf, type Grid } from './grid.js';
import { placesToTry } from './places-to-try.js';
import { anywhere, type Anywhere, type Thing } from './presence.js';
import { watchersOf, type TripPoint, type Watcher } from './watchers.js';

/** Where sensors are best put, and what then is the easiest way in. */
export interface Suggestion {
  /** Of each sensor that may be moved, in the order in which they were given; of added ones after them. */
  places: Place[];
  /** Undefined where walls leave no way. */
  way: BlindPath | undefined;
}

/** What is asked of a plan: who must not come from where to what is guarded. */
export interface Guard {
  thing: Thing;
  entrances: readonly Point[];
  guarded: Point;
}

/** The ways are looked at on so many points while places are sought. */
const mostPoints = 600;
/** So many places of the last one are looked at on the fine grid. */
const finest = 10;
/** Each sensor is looked at again so often, once all are placed. */
const rounds = 3;
/** More than so many are not added. */
export const mostAdded = 8;

/**
 * Puts some sensors of a design so that of the easiest way in as much as can be is noticed: one after the other where it does
 * most (greedy), then each again with the others where they are (local search), up to three times over.
 *
 * @param movable ids of the parts that may be put elsewhere
 * @param points of the design, where they are known already
 * @returns undefined where nothing of these notices who goes there
 */
export function suggestPlaces(
  design: Design,
  scene: Scene,
  guard: Guard,
  movable: readonly string[],
  points?: readonly TripPoint[],
): Suggestion | undefined {
  const watchers = watchersOf(design, scene, points);
  const search = Search.of(design, guard, watchers);
  const movers = movable.map((id) => watchers.filter((w) => w.part === id));
  if (!search || movers.some((w) => w.length === 0)) return undefined;
  const fixed = watchers.filter((w) => !movable.includes(w.part));
  const chosen = search.best(fixed, movers);
  return { places: chosen, way: search.way(fixed, movers, chosen) };
}

/**
 * The fewest sensors like one of a design that, put besides, leave no way in that nothing notices.
 *
 * @param like id of the part
 * @returns undefined where eight more do not do it either; no places where there is nothing to close
 */
export function closingPlaces(
  design: Design,
  scene: Scene,
  guard: Guard,
  like: string,
  points?: readonly TripPoint[],
): Suggestion | undefined {
  const watchers = watchersOf(design, scene, points);
  const search = Search.of(design, guard, watchers);
  const mover = watchers.filter((w) => w.part === like);
  if (!search || mover.length === 0) return undefined;
  for (let n = 0; n <= mostAdded; n++) {
    const movers = Array.from({ length: n }, () => mover);
    const places = search.best(watchers, movers);
    const way = search.way(watchers, movers, places);
    if (!way || way.by.length > 0) return { places, way };
  }
  return undefined;
}

/** A place that may be taken, and which steps on the grid are noticed from there. */
interface Site {
  place: Place;
  seen: Uint8Array;
}

/** A step on the grid, by the point with the lower number. */
interface Step {
  from: number;
  to: number;
  length: number;
}

class Search {
  private readonly sites = new Map<string, Site[]>();
  private readonly stepsAt: number[][];

  static of(design: Design, guard: Guard, watchers: readonly Watcher[]): Search | undefined {
    const walker = anywhere(guard.thing);
    return walker?.goes && watchers.length > 0 ? new Search(design, guard, walker) : undefined;
  }

  private constructor(
    private readonly design: Design,
    private readonly guard: Guard,
    private readonly walker: Anywhere,
    private readonly grid: Grid = gridOf(design.plan, mostPoints),
    private readonly steps: Step[] = stepsOf(design.plan, grid),
  ) {
    this.stepsAt = Array.from({ length: grid.size }, () => []);
    steps.forEach(({ from, to }, i) => {
      this.stepsAt[from]?.push(i);
      this.stepsAt[to]?.push(i);
    });
  }

  /** The easiest way as it is told of a plan, with the movers in their places. */
  way(
    fixed: readonly Watcher[],
    movers: readonly (readonly Watcher[])[],
    places: readonly Place[],
  ): BlindPath | undefined {
    const put = movers.flatMap((mover, i) => {
      const place = places[i];
      return place ? mover.map((w) => w.at(place)) : [];
    });
    const { entrances, guarded } = this.guard;
    const from = entrances.length > 0 ? entrances : edgeOf(this.design.plan);
    return easiestWay(this.design.plan, [...fixed, ...put], this.walker, from, guarded);
  }

  best(fixed: readonly Watcher[], movers: readonly (readonly Watcher[])[]): Place[] {
    const base = this.seenBy(fixed);
    const chosen: Site[] = [];
    const others = (i: number): Uint8Array[] => [base, ...seenOf(chosen.filter((_, j) => j !== i))];
    movers.forEach((mover, i) => chosen.push(this.bestSites(others(i), mover)[0]));
    for (let round = 0; round < rounds; round++) {
      let moved = false;
      movers.forEach((mover, i) => {
        const [found] = this.bestSites(others(i), mover, chosen[i]);
        moved ||= found !== chosen[i];
        chosen[i] = found;
      });
      if (!moved) break;
    }
    return this.refined(fixed, movers, chosen, others);
  }

  /** The last of them once more, on the fine grid: a gap between two points of the coarse one is not seen there. */
  private refined(
    fixed: readonly Watcher[],
    movers: readonly (readonly Watcher[])[],
    chosen: readonly Site[],
    others: (i: number) => Uint8Array[],
  ): Place[] {
    const places = chosen.map(({ place }) => place);
    const [kept, last] = [places.slice(0, -1), movers.length - 1];
    const mover = movers[last];
    if (!mover) return places;
    const finalists = this.bestSites(others(last), mover, chosen[last]);
    const told = finalists.slice(0, finest).map(({ place }) => {
      const all = [...kept, place];
      const way = this.way(fixed, movers, all);
      return { all, cost: way ? cost(way) : Infinity };
    });
    return told.reduce((a, b) => (b.cost > a.cost ? b : a)).all;
  }

  /**
   * The sites from which most of the easiest way left is noticed, the best first. One that sees nothing of the way that is easiest
   * without it leaves that way as it is, and is not tried.
   */
  private bestSites(
    seen: readonly Uint8Array[],
    mover: readonly Watcher[],
    now?: Site,
  ): [Site, ...Site[]] {
    const others = joined(seen, this.steps.length);
    const easiest = this.easiest(others);
    const all = this.sitesFor(mover);
    const first = now ?? all[0];
    if (!first) throw new RangeError('There is no place for it.');
    const tried = all
      .filter((site) => site !== first && easiest.steps.some((step) => site.seen[step]))
      .map((site) => ({ site, worth: this.worth(others, site) }));
    const [best = first, ...rest] = [{ site: first, worth: this.worth(others, first) }, ...tried]
      .sort((a, b) => b.worth - a.worth)
      .map(({ site }) => site);
    return [best, ...rest];
  }

  /** What the easiest way costs with a site taken; of two alike the one from which more is noticed. */
  private worth(others: Uint8Array, { seen }: Site): number {
    const both = joined([others, seen], this.steps.length);
    const share = both.reduce((sum, is) => sum + is, 0) / Math.max(1, both.length);
    return this.easiest(both).cost + share;
  }

  private easiest(seen: Uint8Array): { cost: number; steps: number[] } {
    const { entrances, guarded } = this.guard;
    const from = (entrances.length > 0 ? entrances : edgeOf(this.design.plan)).map(
      this.grid.nearest,
    );
    const stepsFrom = (at: number): { to: number; cost: number; step: number }[] =>
      (this.stepsAt[at] ?? []).flatMap((i) => {
        const step = this.steps[i];
        if (!step) return [];
        const { length } = step;
        const to = step.from === at ? step.to : step.from;
        return [{ to, step: i, cost: cost({ length, noticed: seen[i] ? length : 0 }) }];
      });
    const way = dijkstra(this.grid.size, from, this.grid.nearest(guarded), stepsFrom) ?? [];
    const taken = way.slice(1).flatMap((to, i) => {
      const at = way[i];
      return at === undefined ? [] : stepsFrom(at).filter((s) => s.to === to);
    });
    return {
      cost: taken.reduce((sum, s) => sum + s.cost, 0),
      steps: taken.map(({ step }) => step),
    };
  }

  /** Everywhere a sensor may be put; of sensors alike worked out once. */
  private sitesFor(mover: readonly Watcher[]): Site[] {
    const key = mover.map(({ alike }) => alike).join();
    const known = this.sites.get(key);
    if (known) return known;
    const [first] = mover;
    const places = first ? placesToTry(this.design, first.part) : [];
    const fresh = places.map((place) => ({
      place,
      seen: this.seenBy(mover.map((w) => w.at(place))),
    }));
    this.sites.set(key, fresh);
    return fresh;
  }

  private seenBy(watchers: readonly Watcher[]): Uint8Array {
    return Uint8Array.from(this.steps, ({ from, to }) => {
      const [a, b] = [this.grid.point(from), this.grid.point(to)];
      const middle = { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 };
      const heading = degrees(Math.atan2(b.y - a.y, b.x - a.x));
      const looks = this.walker.looks(middle, heading);
      return watchers.some((w) => w.notices(looks)) ? 1 : 0;
    });
  }
}
const seenOf = (sites: readonly Site[]): Uint8Array[] => sites.map(({ seen }) => seen);

function joined(all: readonly Uint8Array[], length: number): Uint8Array {
  const out = new Uint8Array(length);
  for (const one of all) for (let i = 0; i < length; i++) out[i] = (out[i] ?? 0) | (one[i] ?? 0);
  return out;
}

function stepsOf(plan: Plan, { size, beside, point }: Grid): Step[] {
  return Array.from({ length: size }, (_, from) => from).flatMap((from) =>
    beside(from).flatMap((to) => {
      if (to < from) return [];
      const [a, b] = [point(from), point(to)];
      if (plan.walls.some((wall) => meets(a, b, wall))) return [];
      return [{ from, to, length: Math.hypot(a.x - b.x, a.y - b.y) }];
    }),
  );
}
