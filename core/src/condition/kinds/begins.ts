import { and, bool, not, set } from '../../code/index.js';
import type { Condition } from '../condition.js';
import { defineCondition } from '../condition-kind.js';
import { part } from '../field.js';
import type { Memory } from '../seen.js';

/** Event: it holds now and did not before. */
export interface Begins {
  is: 'begins';
  of: Condition;
}

interface Was extends Memory {
  was?: boolean;
}

export const begins = defineCondition<Begins, Was>({
  is: 'begins',
  fields: { of: part },
  event: true,
  look: (_, { parts: [now = false], memory: { was } }) => ({
    holds: was === false && now,
    memory: { was: now },
  }),
  why: ({ of }, asked) => asked.part(of),
  modes: ({ of }, modesOf) => modesOf(of),
  code: (_, { parts: [part = bool(false)], remember, once, first }) => {
    // What holds already at the first look has not begun.
    const was = remember('Was', 'bool', bool(true));
    const now = once('Now', part);
    const begun = once('Begins', and(now, not(was)));
    first(set(was, now));
    return begun;
  },
  say: ({ of }, words) => `${words.part(of)} begins`,
  phrase: () => [{ field: 'of' }, 'begins'],
  written: { call: 'begins' },
  offer: { label: '… begins', around: (of) => ({ is: 'begins', of }) },
});
