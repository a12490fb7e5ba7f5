import type { Effect } from '@yurei/core/plan';
import { formatDuration, formatQuantity } from '@yurei/core/quantity';

/** What is told of an effect, and whether more of it is better. */
const facts: readonly { says: string; of(effect: Effect): string }[] = [
  { says: 'notices', of: ({ noticed, wanted }) => `${noticed} of ${wanted}` },
  {
    says: 'stays quiet with',
    of: ({ fooled, nuisances }) => `${nuisances - fooled} of ${nuisances}`,
  },
  { says: 'fires for nothing', of: ({ spurious }) => `${spurious} times` },
  {
    says: 'is slowest after',
    of: ({ slowest }) => (slowest === undefined ? '–' : formatQuantity(slowest, 's')),
  },
  { says: 'acts for', of: ({ acted }) => formatDuration(acted) },
  { says: 'takes', of: ({ watts }) => formatQuantity(watts, 'W') },
];

/** What is other after a change, each with how it is now; a sentence. */
export function sayEffect(now: Effect, then: Effect): string {
  const told = facts.flatMap(({ says, of }) => {
    const [before, after] = [of(now), of(then)];
    return before === after ? [] : [`${says} ${after} (now ${before})`];
  });
  return told.length > 0 ? `Then it ${told.join(', ')}.` : 'No difference in these scenes.';
}

/** Whether something is missed or fires falsely that did not before, or the other way round. */
export function judgeEffect(now: Effect, then: Effect): 'worse' | 'better' | 'other' {
  const wrong = ({ wanted, noticed, fooled, spurious }: Effect): number =>
    wanted - noticed + fooled + spurious;
  const [before, after] = [wrong(now), wrong(then)];
  return after > before ? 'worse' : after < before ? 'better' : 'other';
}
