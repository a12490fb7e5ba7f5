import type { PictureLayout, PlacedCard } from '@yurei/core/picture';

/** Layouts as this browser keeps them; the version goes up when pictures are laid out differently. */
const store = 'yurei.layouts.2';
/** Pictures that are kept, and the longest text that one may be. */
const most = { layouts: 6, length: 300_000 };

interface Kept {
  key: string;
  layout: Omit<PictureLayout, 'cards'> & { cards: PlacedCard[] };
}

/** Keeps a layout, so that the same picture stands at once when the page is opened again. */
export function keepLayout(key: string, layout: PictureLayout): void {
  const kept: Kept = { key, layout: { ...layout, cards: [...layout.cards.values()] } };
  if (JSON.stringify(kept).length > most.length) return;
  const others = all().filter((k) => k.key !== key);
  try {
    localStorage.setItem(store, JSON.stringify([kept, ...others].slice(0, most.layouts)));
  } catch {
    // Without room it is laid out anew next time; work not saved needs the room more.
    localStorage.removeItem(store);
  }
}

/** The layout of just this picture, if it was kept. */
export function findLayout(key: string): PictureLayout | undefined {
  const layout = all().find((k) => k.key === key)?.layout;
  return layout && { ...layout, cards: new Map(layout.cards.map((c) => [c.id, c])) };
}

function all(): Kept[] {
  try {
    const kept = JSON.parse(localStorage.getItem(store) ?? '[]') as Kept[];
    return kept.filter(({ layout }) => Array.isArray(layout.cards) && Array.isArray(layout.lines));
  } catch {
    return [];
  }
}
