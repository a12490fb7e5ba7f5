import { and } from '../../code/index.js';
import type { Condition } from '../condition.js';
import { defineCondition } from '../condition-kind.js';
import { parts } from '../field.js';

export interface All {
  is: 'all';
  of: Condition[];
}

export const all = defineCondition<All>({
  is: 'all',
  fields: { of: parts('and') },
  look: (_, seen) => seen.parts.every(Boolean),
  why: ({ of }, asked) => asked.some(of, of.length),
  told: ({ of }, { holds }) => of.every(holds),
  code: (_, { parts }) => and(...parts),
  say: ({ of }, words) => of.map((part) => words.part(part)).join(' and '),
  phrase: () => [{ field: 'of' }],
  written: { sign: '&&' },
  offer: { label: '… and …', around: (of, another) => ({ is: 'all', of: [of, another] }) },
});
