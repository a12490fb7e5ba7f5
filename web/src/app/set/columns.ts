import type { ReadingSet } from '@yurei/core/design';
import { kept } from '@yurei/core/judge';
import { readingGroup, type ReadingGroup } from '@yurei/core/rehearsal';

/** One column of the chart: readings that belong together. */
export interface Column extends ReadingGroup {
  /** The reading set it shows; absent for what was rehearsed. */
  set?: string;
}

/** Reading sets as columns: quiet first, then what must not fire, then what is wanted. */
export function columnsOf(sets: readonly ReadingSet[]): Column[] {
  const order = { quiet: 0, nuisance: 1, wanted: 2 };
  return [...sets]
    .sort((a, b) => order[a.intent] - order[b.intent])
    .flatMap(({ id, name, intent, ...set }) => {
      const counts = kept(set);
      return counts.length > 0 ? [{ ...readingGroup(name, intent, counts), set: id }] : [];
    });
}

/** At most `most` of a list, evenly spread, with its first and last. */
export function thin<T>(list: readonly T[], most: number): T[] {
  if (list.length <= most) return [...list];
  const places = Array.from({ length: most }, (_, i) =>
    Math.round((i * (list.length - 1)) / (most - 1)),
  );
  return places.flatMap((place) => list.slice(place, place + 1));
}
