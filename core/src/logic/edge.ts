import type { Channel } from '../design/index.js';

/**
 * Whether a change of a digital level is one at which a channel reads at once. Levels are ordered: low,
 * neither, high.
 */
export function readsAt(edge: Channel['edge'], before: number, now: number): boolean {
  if (edge === undefined || before === now) return false;
  return edge === 'change' || (edge === 'rising' ? now > before : now < before);
}
