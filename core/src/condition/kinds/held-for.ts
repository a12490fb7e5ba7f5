import { reached } from '../../quantity/index.js';
import { and, bool, lasted, not, set, when, whole } from '../../code/index.js';
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
    return reached(t, end)
      ? { holds: true, memory: { since: from } }
      : { holds: false, memory: { since: from, due: end } };
  },
  why: (c, asked) => asked.lasting(c.of, c.seconds, (seconds) => ({ ...c, seconds })),
  waits: (c) => c.seconds,
  code: ({ seconds: wanted }, { parts: [part = bool(false)], remember, once, first, now }) => {
    const holds = once('Now', part);
    if (wanted === 0) return holds;
    const held = remember('Held', 'bool', bool(false));
    const from = remember('Since', 'moment', whole(0, 'moment'));
    first(...when(and(holds, not(held)), [set(from, now)]), set(held, holds));
    return and(held, lasted(from, wanted));
  },
  say: (c, words) => `${words.part(c.of)} for ${words.time(c.seconds)}`,
  phrase: () => [{ field: 'of' }, 'for', { field: 'seconds' }],
  written: { call: 'held' },
  offer: { label: '… for a time', around: (of) => ({ is: 'for', seconds: 0.5, of }) },
});
