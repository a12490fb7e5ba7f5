import { bool, not as opposite } from '../../code/index.js';
import type { Condition } from '../condition.js';
import { defineCondition } from '../condition-kind.js';
import { part } from '../field.js';

export interface Not {
  is: 'not';
  of: Condition;
}

export const not = defineCondition<Not>({
  is: 'not',
  fields: { of: part },
  turns: true,
  look: (_, seen) => !seen.parts[0],
  told: ({ of }, { holds }) => !holds(of),
  why: ({ of }, asked) => asked.not(of),
  code: (_, { parts: [part = bool(false)] }) => opposite(part),
  say: ({ of }, words) => `not ${words.part(of)}`,
  phrase: () => ['not', { field: 'of' }],
  written: { sign: '!' },
  offer: { label: 'not …', around: (of) => ({ is: 'not', of }) },
});
