import type { Channel } from '../design/index.js';
import type { ChannelState } from './channel-step.js';

/** What a digital pin reads as low. */
const lowLevel = 0;

/**
 * Whether a change of a digital level is one at which a channel reads at once. Levels are ordered: low,
 * neither, high. With 'low' it reads as the level comes to be low.
 */
export function readsAt(edge: Channel['edge'], before: number, now: number): boolean {
  if (edge === 'low') return before !== now && now === lowLevel;
  if (edge === undefined || before === now) return false;
  return edge === 'change' || (edge === 'rising' ? now > before : now < before);
}

/** Whether a channel keeps the controller from sleeping: it reads as long as its pin is low, and has read it low. */
export const keepsAwake = (
  { edge }: Pick<Channel, 'edge'>,
  { counts, value }: Pick<ChannelState, 'counts' | 'value'>,
): boolean => edge === 'low' && value !== undefined && counts === lowLevel;
