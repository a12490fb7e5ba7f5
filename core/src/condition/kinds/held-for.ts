import type { Condition } from '../condition.js';
import { defineCondition } from '../condition-kind.js';
import { part, seconds } from '../field.js';
import type { Memory } from '../seen.js';

/** Has held for so long without a break, s. */
export interface HeldFor {
  is: 'for';
  seconds: number;
  of: Condition;
}

interface Since extends Memory {
  /** Since when its part has held, s. */
  since?: number;
}

export const heldFor = defineCondition<HeldFor, Since>({
  is: 'for',
  fields: { of: part, seconds: seconds('For so long') },
  look: (c, { parts: [holds], memory: { since }, t }) => {
    if (!holds) return false;
    const from = since ?? t;
    const end = from + c.seconds;
    return t >= end
      ? { holds: true, memory: { since: from } }
      : { holds: false, memory: { since: from, due: end } };
  },
  why: (c, asked) => asked.lasting(c.of, c.seconds, (seconds) => ({ ...c, seconds })),
  waits: (c) => c.seconds,
  say: (c, words) => `${words.part(c.of)} for ${words.time(c.seconds)}`,
  phrase: () => [{ field: 'of' }, 'for', { field: 'seconds' }],
  written: { call: 'held' },
  offer: { label: '… for a time', around: (of) => ({ is: 'for', seconds: 0.5, of }) },
});
