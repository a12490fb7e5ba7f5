import type { Channel } from '../design/index.js';

/** What a digital pin reads as low. */
const lowLevel = 0;

/**
 * Whether a change of a digital level is one at which a channel reads at once. Levels are ordered: low,
 * neither, high. With 'low' it reads whenever the level is looked at and low.
 */
export function readsAt(edge: Channel['edge'], before: number, now: number): boolean {
  if (edge === 'low') return now === lowLevel;
  if (edge === undefined || before === now) return false;
  return edge === 'change' || (edge === 'rising' ? now > before : now < before);
}
