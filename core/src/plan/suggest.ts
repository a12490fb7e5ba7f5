import type { Design, Place, Scene } from '../design/index.js';
import type { BlindPath } from './blind-path.js';
import { PlaceSearch, type Guard } from './place-search.js';
import { watchersOf, type TripPoint } from './watchers.js';

/** Where sensors are best put, and what then is the easiest way in. */
export interface Suggestion {
  /** Of each sensor that may be moved, in the order in which they were given; of added ones after them. */
  places: Place[];
  /** Undefined where walls leave no way. */
  way: BlindPath | undefined;
  /** Names of what must not be noticed and is, from these places. */
  fooledBy: string[];
}

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
  const search = PlaceSearch.of(design, guard, watchers);
  const movers = movable.map((id) => watchers.filter((w) => w.part === id));
  if (!search || movers.some((w) => w.length === 0)) return undefined;
  const fixed = watchers.filter((w) => !movable.includes(w.part));
  const chosen = search.best(fixed, movers);
  return {
    places: chosen,
    way: search.way(fixed, movers, chosen),
    fooledBy: search.fooledBy(movers, chosen),
  };
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
  const search = PlaceSearch.of(design, guard, watchers);
  const mover = watchers.filter((w) => w.part === like);
  if (!search || mover.length === 0) return undefined;
  for (let n = 0; n <= mostAdded; n++) {
    const movers = Array.from({ length: n }, () => mover);
    const places = search.best(watchers, movers);
    const way = search.way(watchers, movers, places);
    if (!way || way.by.length > 0)
      return { places, way, fooledBy: search.fooledBy(movers, places) };
  }
  return undefined;
}
