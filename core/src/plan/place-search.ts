import type { Design, Place, Plan, Point } from '../design/index.js';
import { degrees } from '../quantity/index.js';
import { alongPath, barriersOf, meets, pathLength } from '../scene/index.js';
import { cost, easiestWay, edgeOf, type BlindPath } from './blind-path.js';
import { dijkstra } from './dijkstra.js';
import { gridOf, type Grid } from './grid.js';
import { placesToTry } from './places-to-try.js';
import { anywhere, type Anywhere, type Presence, type Thing } from './presence.js';
import type { Watcher } from './watchers.js';

/** What is asked of a plan: who must not come from where to what is guarded. */
export interface Guard {
  thing: Thing;
  entrances: readonly Point[];
  guarded: Point;
  /** What goes about there and must not be noticed, and which way it goes. */
  quiet?: readonly { name: string; thing: Thing; path: readonly Point[] }[];
}

/** The ways are looked at on so many points while places are sought. */
const mostPoints = 600;
/** So many places of the last one are looked at on the fine grid. */
const finest = 10;
/** Each sensor is looked at again so often, once all are placed. */
const rounds = 3;
/** What must not be noticed is looked at so often on its way, m; and so many times at most. */
const lookEvery = 0.25;
const mostLooks = 80;
const fooledCounts = 0.1;

/** A place that may be taken, and which steps on the grid are noticed from there. */
interface Site {
  place: Place;
  seen: Uint8Array;
  /** Something that must not be noticed is, from there. */
  fooled: boolean;
}

/** A step on the grid, by the point with the lower number. */
interface Step {
  from: number;
  to: number;
  length: number;
}

/** A step as it is taken from one of its points, by its number. */
interface Onward {
  to: number;
  step: number;
  length: number;
}

/** Seeks places for sensors: see `suggestPlaces`. */
export class PlaceSearch {
  private readonly sites = new Map<string, Site[]>();
  /** What there is to notice in the middle of each step. */
  private readonly looks: Presence[][];
  /** Where each point leads. */
  private readonly onward: Onward[][];

  static of(design: Design, guard: Guard, watchers: readonly Watcher[]): PlaceSearch | undefined {
    const walker = anywhere(guard.thing);
    return walker?.goes && watchers.length > 0 ? new PlaceSearch(design, guard, walker) : undefined;
  }

  private constructor(
    private readonly design: Design,
    private readonly guard: Guard,
    private readonly walker: Anywhere,
    private readonly grid: Grid = gridOf(design.plan, mostPoints),
    private readonly steps: Step[] = stepsOf(design.plan, grid),
    private readonly starts = guard.entrances.length > 0 ? guard.entrances : edgeOf(design.plan),
    private readonly quiet = (guard.quiet ?? []).map(looksAlong),
  ) {
    this.looks = steps.map(({ from, to }) => {
      const [a, b] = [grid.point(from), grid.point(to)];
      const middle = { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 };
      return walker.looks(middle, degrees(Math.atan2(b.y - a.y, b.x - a.x)));
    });
    this.onward = Array.from({ length: grid.size }, () => []);
    steps.forEach(({ from, to, length }, step) => {
      this.onward[from]?.push({ to, step, length });
      this.onward[to]?.push({ to: from, step, length });
    });
  }

  /** The easiest way as it is told of a plan, with the movers in their places. */
  way(
    fixed: readonly Watcher[],
    movers: readonly (readonly Watcher[])[],
    places: readonly Place[],
  ): BlindPath | undefined {
    const all = [...fixed, ...put(movers, places)];
    return easiestWay(this.design.plan, all, this.walker, this.starts, this.guard.guarded);
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
    const told = finalists.slice(0, finest).map(({ place, fooled }) => {
      const all = [...kept, place];
      const way = this.way(fixed, movers, all);
      return { all, cost: (way ? cost(way) : Infinity) * (fooled ? fooledCounts : 1) };
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
    const tried = [{ site: first, worth: this.worth(others, first) }];
    const bounded = all
      .filter((site) => site !== first && easiest.steps.some((step) => site.seen[step]))
      .map((site) => ({ site, bound: this.bound(others, easiest.steps, site) }))
      .sort((a, b) => b.bound - a.bound);
    let most = tried[0]?.worth ?? 0;
    for (const { site, bound } of bounded) {
      if (bound <= most) break;
      const worth = this.worth(others, site);
      tried.push({ site, worth });
      most = Math.max(most, worth);
    }
    const [best = first, ...rest] = tried.sort((a, b) => b.worth - a.worth).map(({ site }) => site);
    return [best, ...rest];
  }

  /** No more than this can a site be worth: the way that was the easiest before is still there. */
  private bound(others: Uint8Array, way: readonly number[], { seen, fooled }: Site): number {
    const costs = way.reduce((sum, i) => {
      const length = this.steps[i]?.length ?? 0;
      return sum + cost({ length, noticed: others[i] || seen[i] ? length : 0 });
    }, 0);
    // As much as all of the ground counts.
    return (costs + 1) * (fooled ? fooledCounts : 1);
  }

  /** Names of what must not be noticed and is, by any of the movers in its place. */
  fooledBy(movers: readonly (readonly Watcher[])[], places: readonly Place[]): string[] {
    const all = put(movers, places);
    return this.quiet.filter(({ looks }) => isNoticed(all, looks)).map(({ name }) => name);
  }

  /**
   * What the easiest way costs with a site taken; of two alike the one from which more is noticed. One from which something is noticed
   * that must not be counts as little as if a tenth of that were noticed.
   */
  private worth(others: Uint8Array, { seen, fooled }: Site): number {
    const both = joined([others, seen], this.steps.length);
    const share = both.reduce((sum, is) => sum + is, 0) / Math.max(1, both.length);
    return (this.easiest(both).cost + share) * (fooled ? fooledCounts : 1);
  }

  private easiest(seen: Uint8Array): { cost: number; steps: number[] } {
    const from = this.starts.map(this.grid.nearest);
    const costOf = ({ step, length }: Onward): number =>
      cost({ length, noticed: seen[step] ? length : 0 });
    const goal = this.grid.nearest(this.guard.guarded);
    const onward = (at: number): readonly Onward[] => this.onward[at] ?? [];
    const way = dijkstra(this.grid.size, from, goal, onward, costOf) ?? [];
    const taken = way.slice(1).flatMap((to, i) => {
      const at = way[i];
      return at === undefined ? [] : onward(at).filter((s) => s.to === to);
    });
    return {
      cost: taken.reduce((sum, s) => sum + costOf(s), 0),
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
    const fresh = places.map((place) => {
      const put = mover.map((w) => w.at(place));
      const fooled = this.quiet.some(({ looks }) => isNoticed(put, looks));
      return { place, seen: this.seenBy(put), fooled };
    });
    this.sites.set(key, fresh);
    return fresh;
  }

  private seenBy(watchers: readonly Watcher[]): Uint8Array {
    return Uint8Array.from(this.looks, (looks) => (watchers.some((w) => w.notices(looks)) ? 1 : 0));
  }
}

/** Sensors that may be moved, each in its place. */
const put = (
  movers: readonly (readonly Watcher[])[],
  places: readonly Place[],
): readonly Watcher[] =>
  movers.flatMap((mover, i) => {
    const place = places[i];
    return place ? mover.map((w) => w.at(place)) : [];
  });

const isNoticed = (
  watchers: readonly Watcher[],
  looks: readonly (readonly Presence[])[],
): boolean => looks.some((look) => watchers.some((w) => w.notices(look)));

/** What there is to see of something all along its way, or where it stands. */
function looksAlong({ name, thing, path }: NonNullable<Guard['quiet']>[number]): {
  name: string;
  looks: Presence[][];
} {
  const there = anywhere(thing);
  if (!there) return { name, looks: [] };
  const [first] = path;
  if (!there.goes) return { name, looks: first ? [there.looks(first, 0)] : [] };
  const length = pathLength(path);
  const n = Math.min(mostLooks, Math.max(1, Math.round(length / lookEvery)));
  const looks = Array.from({ length: n }, (_, i) => alongPath(path, ((i + 0.5) / n) * length));
  return { name, looks: looks.flatMap((on) => (on ? [there.looks(on, on.heading)] : [])) };
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
      if (barriersOf(plan).some((wall) => meets(a, b, wall))) return [];
      return [{ from, to, length: Math.hypot(a.x - b.x, a.y - b.y) }];
    }),
  );
}
