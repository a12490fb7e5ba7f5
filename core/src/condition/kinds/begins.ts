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
  say: ({ of }, words) => `${words.part(of)} begins`,
  phrase: () => [{ field: 'of' }, 'begins'],
  written: { call: 'begins' },
  offer: { label: '… begins', around: (of) => ({ is: 'begins', of }) },
});
