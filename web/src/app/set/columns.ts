import type { ReadingSet } from '@yurei/core/design';
import { kept } from '@yurei/core/judge';
import type { Group } from './groups';

/** One column of the chart: readings that belong together. */
export interface Column extends Group {
  /** The reading set it shows; absent for what was rehearsed. */
  set?: string;
  mean: number;
  sd: number;
}

/** Reading sets as columns: quiet first, then what must not fire, then what is wanted. */
export function columnsOf(sets: readonly ReadingSet[]): Column[] {
  const order = { quiet: 0, nuisance: 1, wanted: 2 };
  return [...sets]
    .sort((a, b) => order[a.intent] - order[b.intent])
    .flatMap((set) => {
      const counts = kept(set);
      return counts.length > 0
        ? [{ ...withSpread({ name: set.name, kind: set.intent, counts }), set: set.id }]
        : [];
    });
}

/** Adds lowest, highest, mean and spread. */
export function withSpread(group: Pick<Group, 'name' | 'kind' | 'counts'>): Column {
  const { counts } = group;
  let [low, high, sum] = [Infinity, -Infinity, 0];
  for (const c of counts) {
    if (c < low) low = c;
    if (c > high) high = c;
    sum += c;
  }
  const mean = sum / counts.length;
  const squares = counts.reduce((total, c) => total + (c - mean) ** 2, 0);
  const sd = counts.length > 1 ? Math.sqrt(squares / (counts.length - 1)) : 0;
  return { ...group, low, high, mean, sd };
}
