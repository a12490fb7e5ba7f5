import { reached } from '../../quantity/index.js';
import {
  and,
  bool,
  ms,
  not,
  set,
  signs,
  since,
  when,
  whole,
  type Expression,
  type Statement,
} from '../../code/index.js';
import type { CodeAt } from '../code-at.js';
import type { Condition } from '../condition.js';
import { defineCondition } from '../condition-kind.js';
import { part, seconds } from '../field.js';
import type { Look, Memory } from '../seen.js';

/** Event: the second begins within so many seconds of the first. */
export interface Then {
  is: 'then';
  first: Condition;
  second: Condition;
  within: number;
}

/** Of two that may begin one after the other: whether each held, which began, and when. */
interface Pair extends Memory {
  was?: readonly boolean[];
  began?: 0 | 1;
  at?: number;
}

/**
 * Of the two, the one that began first is remembered; when the other begins in time the order is known, and both are
 * forgotten. Both beginning in the same look tell no order.
 */
function look(within: number, now: readonly boolean[], pair: Pair, t: number): Look<Pair> {
  const was = pair.was ?? now;
  const begin = [now[0] && !was[0], now[1] && !was[1]];
  const alive = pair.at !== undefined && reached(pair.at + within, t);
  const forgotten = { was: [...now] };
  if (begin[0] === begin[1])
    return { holds: false, memory: begin[0] || !alive ? forgotten : { ...pair, was: [...now] } };
  const began = begin[0] ? 0 : 1;
  if (alive && pair.began !== began) return { holds: began === 1, memory: forgotten };
  return { holds: false, memory: { was: [...now], began, at: t } };
}

/** Which of the two began first: neither, the first or the second. */
const began = { neither: 0, first: 1, second: 2 } as const;

function codeOfThen(
  within: number,
  { parts: [one = bool(false), other = bool(false)], remember, once, first, now }: CodeAt,
): Expression {
  const [aWas, bWas] = [
    remember('FirstWas', 'bool', bool(true)),
    remember('SecondWas', 'bool', bool(true)),
  ];
  const [aIs, bIs] = [once('First', one), once('Second', other)];
  const [a, b] = [
    once('FirstBegins', and(aIs, not(aWas))),
    once('SecondBegins', and(bIs, not(bWas))),
  ];
  const which = remember('Began', 'byte', whole(began.neither, 'byte'));
  const at = remember('BeganAt', 'moment', whole(0, 'moment'));
  const order = remember('Order', 'bool', bool(false));
  const is = (one: keyof typeof began): Expression => signs('==', which, whole(began[one], 'byte'));
  const begun = (one: keyof typeof began): Statement => set(which, whole(began[one], 'byte'));
  first(
    set(aWas, aIs),
    set(bWas, bIs),
    set(order, bool(false)),
    ...when(signs('>', since(at), ms(within)), [begun('neither')]),
    ...when(
      and(a, b),
      [begun('neither')],
      when(
        a,
        when(is('second'), [begun('neither')], [begun('first'), set(at, now)]),
        when(
          b,
          when(
            is('first'),
            [set(order, bool(true)), begun('neither')],
            [begun('second'), set(at, now)],
          ),
        ),
      ),
    ),
  );
  return order;
}

export const then = defineCondition<Then, Pair>({
  is: 'then',
  fields: { first: part, second: part, within: seconds('Within', { above: true }) },
  event: true,
  look: ({ within }, { parts, memory, t }) => look(within, parts, memory, t),
  why: (c, asked) => asked.order([c.first, c.second], c.within, (within) => ({ ...c, within })),
  waits: ({ within }) => within,
  code: ({ within }, at) => codeOfThen(within, at),
  say: ({ first, second, within }, words) =>
    `${words.part(first)} then ${words.part(second)} within ${words.time(within)}`,
  phrase: () => [{ field: 'first' }, 'then', { field: 'second' }, 'within', { field: 'within' }],
  written: { call: 'then' },
  offer: {
    label: '… then … within a time',
    around: (of, another) => ({ is: 'then', first: of, second: another, within: 2 }),
  },
});
