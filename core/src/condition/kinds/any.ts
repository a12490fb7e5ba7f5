import { or } from '../../code/index.js';
import type { Condition } from '../condition.js';
import { defineCondition } from '../condition-kind.js';
import { parts } from '../field.js';

export interface Any {
  is: 'any';
  of: Condition[];
}

export const any = defineCondition<Any>({
  is: 'any',
  fields: { of: parts('or') },
  look: (_, seen) => seen.parts.some(Boolean),
  told: ({ of }, { holds }) => of.some(holds),
  why: ({ of }, asked) => asked.some(of, 1),
  modes: ({ of }, modesOf) => {
    const each = of.map(modesOf);
    return each.every((modes) => modes !== undefined) ? each.flat() : undefined;
  },
  code: (_, { parts }) => or(...parts),
  say: ({ of }, words) => of.map((part) => words.part(part)).join(' or '),
  phrase: () => [{ field: 'of' }],
  written: { sign: '||' },
  offer: { label: '… or …', around: (of, another) => ({ is: 'any', of: [of, another] }) },
});
