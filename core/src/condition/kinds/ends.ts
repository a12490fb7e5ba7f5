import { and, bool, not, set } from '../../code/index.js';
import type { Condition } from '../condition.js';
import { defineCondition } from '../condition-kind.js';
import { part } from '../field.js';
import type { Memory } from '../seen.js';

/** Event: it held before and does not now. */
export interface Ends {
  is: 'ends';
  of: Condition;
}

interface Was extends Memory {
  was?: boolean;
}

export const ends = defineCondition<Ends, Was>({
  is: 'ends',
  fields: { of: part },
  event: true,
  turns: true,
  look: (_, { parts: [now = false], memory: { was } }) => ({
    holds: was === true && !now,
    memory: { was: now },
  }),
  lets: ({ of }, holds) => !holds(of),
  why: ({ of }, asked) => asked.part(of),
  code: (_, { parts: [part = bool(false)], remember, once, first }) => {
    const was = remember('Was', 'bool', bool(false));
    const now = once('Now', part);
    const ended = once('Ends', and(was, not(now)));
    first(set(was, now));
    return ended;
  },
  say: ({ of }, words) => `${words.part(of)} ends`,
  phrase: () => [{ field: 'of' }, 'ends'],
  written: { call: 'ends' },
  offer: { label: '… ends', around: (of) => ({ is: 'ends', of }) },
});
