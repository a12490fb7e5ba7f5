import type { Design } from '../design/index.js';
import { repeatedChannels } from '../wiring/index.js';

/** What the picture leaves out: parts of collapsed groups, and channels like one that is shown. */
export interface Folds {
  /** Card that stands for a part: the group's, where it is collapsed into one. */
  groupOf: ReadonlyMap<string, string>;
  /** Parts that are not drawn, as others like them are. */
  hidden: ReadonlySet<string>;
  /** How often what is drawn is there, by part. */
  times: ReadonlyMap<string, number>;
}

export const noFolds: Folds = { groupOf: new Map(), hidden: new Set(), times: new Map() };

/** @param alike whether channels wired alike are shown once */
export function foldsOf(design: Design, alike: boolean): Folds {
  const groupOf = new Map(
    design.groups.filter((g) => g.collapsed).flatMap((g) => g.parts.map((p) => [p, g.id] as const)),
  );
  const hidden = new Set<string>();
  const times = new Map<string, number>();
  for (const { parts, others } of alike ? repeatedChannels(design) : []) {
    if ([...parts, ...others.flat()].some((p) => groupOf.has(p))) continue;
    others.flat().forEach((p) => hidden.add(p));
    parts.forEach((p) => times.set(p, others.length + 1));
  }
  return { groupOf, hidden, times };
}
