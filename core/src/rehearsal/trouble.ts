import { nameOf, type Design } from '../design/index.js';
import { formatQuantity } from '../quantity/index.js';

/** Something electrical that went wrong in the course of a rehearsal. */
export interface Trouble {
  part: string;
  what:
    | 'was beyond its rating'
    | 'melted'
    | 'may have welded'
    | 'was reset'
    | 'switched without end'
    | 'ran dry';
  /** When it began, s. */
  t: number;
  /** How often, where it did so more than once. */
  times?: number;
  /** In the maker's words, with numbers. */
  because: string;
}

/** A trouble in one sentence. */
export function tellTrouble({ parts }: Design, trouble: Trouble): string {
  const { part, what, t, times = 1, because } = trouble;
  const name = nameOf(parts, part);
  const often = times > 1 ? `, ${times} times in all` : '';
  return `${name} ${what} at ${formatQuantity(t, 's')}${often}: ${because}.`;
}
