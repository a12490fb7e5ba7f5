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

/**
 * Kinds whose label, summary or words contain every word typed, those with the nearest label first; all
 * of them, in stage order, for an empty text.
 */
export function searchCatalog(text: string): PartKind[] {
  const wanted = text.toLowerCase().split(/\s+/).filter(Boolean);
  return catalog
    .filter((kind) => {
      const known = [kind.label, kind.summary, kind.stage, ...kind.words].join(' ').toLowerCase();
      return wanted.every((word) => known.includes(word));
    })
    .map((kind) => ({ kind, far: nearness(text, kind.label) }))
    .sort((a, b) => a.far - b.far)
    .map(({ kind }) => kind);
}
