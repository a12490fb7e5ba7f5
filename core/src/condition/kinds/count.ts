import { signs, whole } from '../../code/index.js';
import { defineCondition } from '../condition-kind.js';
import { choice, name } from '../field.js';

export interface Count {
  is: 'count';
  counter: string;
  compare: 'at least' | 'at most' | 'exactly';
  value: number;
}

function compares({ compare, value }: Count, count: number): boolean {
  if (compare === 'exactly') return count === value;
  return compare === 'at least' ? count >= value : count <= value;
}

export const count = defineCondition<Count>({
  is: 'count',
  fields: {
    counter: name('counter', 'Counter'),
    compare: choice('Comparison', 'at least', 'at most', 'exactly'),
    value: { type: 'number', label: 'Count', min: -1e9, max: 1e9, whole: true },
  },
  look: (c, { view }) => compares(c, view.counters[c.counter] ?? 0),
  told: (c, told) => compares(c, told.count(c.counter)),
  turnsAt: ({ counter, value }) => ({ counter, counts: [value - 1, value, value + 1] }),
  code: ({ counter, compare, value }, at) => {
    const sign = compare === 'exactly' ? '==' : compare === 'at least' ? '>=' : '<=';
    return signs(sign, at.counter(counter), whole(value, 'long'));
  },
  say: ({ counter, compare, value }, words) => `${words.counter(counter)} ${compare} ${value}`,
  phrase: () => [{ field: 'counter' }, { field: 'compare' }, { field: 'value' }],
  written: { call: 'counts' },
  offer: {
    label: 'a count',
    alone: ({ counters: [first] }) =>
      first && { is: 'count', counter: first.id, compare: 'at least', value: 1 },
  },
});
