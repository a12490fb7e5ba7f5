import { catalog } from './catalog.js';
import type { PartKind } from './part-kind.js';

/**
 * How near words typed come to a name: 0 it is the name, 1 the name begins so, 2 a word in it does,
 * 3 it is somewhere in it, 4 it is not.
 */
export function nearness(typed: string, name: string): number {
  const [words, whole] = [typed.trim().toLowerCase(), name.toLowerCase()];
  if (words === whole) return 0;
  if (whole.startsWith(words)) return 1;
  if (whole.includes(` ${words}`)) return 2;
  return whole.includes(words) ? 3 : 4;
}

/** Something a maker looks for by what it is called, what it is, or other words for it. */
export interface Findable {
  label: string;
  summary: string;
  words: readonly string[];
}

/**
 * What has every word typed in its label, its summary or its words; the nearest labels first, else in the given order.
 * An empty text finds all.
 */
export function search<T extends Findable>(all: readonly T[], text: string): T[] {
  const typed = text.toLowerCase().split(/\s+/).filter(Boolean);
  return all
    .filter(({ label, summary, words }) => {
      const known = [label, summary, ...words].join(' ').toLowerCase();
      return typed.every((word) => known.includes(word));
    })
    .map((one) => ({ one, far: nearness(text, one.label) }))
    .sort((a, b) => a.far - b.far)
    .map(({ one }) => one);
}

/** Kinds of part that answer to a text; their stage counts as a word. */
export const searchCatalog = (text: string): PartKind[] =>
  search(
    catalog.map((kind) => ({ ...kind, words: [...kind.words, kind.stage], kind })),
    text,
  ).map(({ kind }) => kind);
