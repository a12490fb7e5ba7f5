import type { DesignSummary } from '@yurei/core/exchange';

/** What of the shelf is shown. */
export interface ShelfFilter {
  /** Words that are all to be found in the title, the purpose or the site. */
  words: string;
  /** A quantity that is felt, and a kind of part that acts; empty for any. */
  senses: string;
  acts: string;
  controller: '' | 'with' | 'without';
  /** Only what has a question that is not answered well. */
  open: boolean;
}

export const everything: ShelfFilter = {
  words: '',
  senses: '',
  acts: '',
  controller: '',
  open: false,
};

/** Whether anything is left out. */
export const filters = ({ words, senses, acts, controller, open }: ShelfFilter): boolean =>
  open || `${words.trim()}${senses}${acts}${controller}` !== '';

/** Whether a design is one of those that are looked for. */
export function passes(
  { words, senses, acts, controller, open }: ShelfFilter,
  { title, purpose, site, makeup, answers }: DesignSummary,
): boolean {
  const text = `${title} ${purpose} ${site}`.toLowerCase();
  const sought = words.toLowerCase().split(/\s+/).filter(Boolean);
  const bad = (answers ?? []).some((a) => a.state === 'caution' || a.state === 'error');
  return (
    sought.every((word) => text.includes(word)) &&
    (senses === '' || makeup?.senses.includes(senses) === true) &&
    (acts === '' || makeup?.acts.includes(acts) === true) &&
    (controller === '' || makeup?.controller === (controller === 'with')) &&
    (!open || bad)
  );
}

/** What can be chosen among: all that some design feels, or that acts in one. */
export function offeredBy(designs: readonly DesignSummary[]): { senses: string[]; acts: string[] } {
  const all = (of: 'senses' | 'acts'): string[] =>
    [...new Set(designs.flatMap((d) => d.makeup?.[of] ?? []))].sort();
  return { senses: all('senses'), acts: all('acts') };
}
