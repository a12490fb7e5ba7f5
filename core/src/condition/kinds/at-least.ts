import { bool, signs, whole } from '../../code/index.js';
import type { Condition } from '../condition.js';
import { defineCondition } from '../condition-kind.js';
import { parts } from '../field.js';

/** At least `n` of several. */
export interface AtLeast {
  is: 'at least';
  n: number;
  of: Condition[];
}

export const atLeast = defineCondition<AtLeast>({
  is: 'at least',
  fields: {
    n: { type: 'number', label: 'How many', min: 1, max: 64, whole: true },
    of: parts(','),
  },
  look: ({ n }, seen) => seen.parts.filter(Boolean).length >= n,
  told: ({ n, of }, { holds }) => of.filter(holds).length >= n,
  why: ({ n, of }, asked) => asked.some(of, n),
  kept: (c) => ({ ...c, n: Math.min(c.n, c.of.length) }),
  slip: ({ n, of }) =>
    n > of.length
      ? {
          reason: `At least ${n} of ${of.length} can never hold`,
          cure: 'Ask for fewer of them, or add more.',
        }
      : undefined,
  code: ({ n, of }, { parts }) =>
    n > of.length
      ? bool(false)
      : signs('>=', parts.length > 1 ? signs('+', ...parts) : (parts[0] ?? bool(false)), whole(n)),
  say: ({ n, of }, words) => `at least ${n} of ${of.map((part) => words.part(part)).join(', ')}`,
  phrase: () => ['at least', { field: 'n' }, 'of', { field: 'of' }],
  written: { call: 'atLeast' },
  offer: {
    label: 'at least so many of …',
    around: (of, another) => ({ is: 'at least', n: 1, of: [of, another] }),
  },
});
