import { decimals, formatQuantity } from '../quantity/index.js';

/** Numbers as findings say them. */
export const volts = (value: number): string => formatQuantity(value, 'V');
export const amps = (value: number): string => formatQuantity(value, 'A');
export const ohms = (value: number): string => formatQuantity(value, 'Ω');
export const watts = (value: number): string => formatQuantity(value, 'W');
export const percent = (share: number): string => `${decimals(100 * share, share < 0.1 ? 1 : 0)} %`;

/** "a, b and c". */
export const list = (items: readonly string[]): string =>
  items.length < 2
    ? items.join('')
    : `${items.slice(0, -1).join(', ')} and ${items[items.length - 1]}`;

/** Words are alike by their beginning; short ones that tell nothing are left out. */
const beginning = 5;
const empty: ReadonlySet<string> = new Set(['the', 'of', 'at', 'in', 'on', 'to', 'is']);

/** The words of a name by which it tells something, as far as they tell it. */
export const wordsOf = (name: string): Set<string> =>
  new Set(
    name
      .toLowerCase()
      .split(/[^\p{L}\p{N}]+/u)
      .filter((word) => word !== '' && !empty.has(word))
      .map((word) => word.slice(0, beginning)),
  );
