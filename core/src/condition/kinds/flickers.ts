import { reached } from '../../quantity/index.js';
import {
  and,
  bool,
  item,
  ms,
  not,
  set,
  signs,
  since,
  when,
  whole,
  type Expression,
} from '../../code/index.js';
import type { CodeAt } from '../code-at.js';
import { defineCondition } from '../condition-kind.js';
import { name, seconds } from '../field.js';
import { tooFarBack } from '../look-back.js';
import type { Memory } from '../seen.js';

/** A channel's answer has begun so often a second, Hz, counted over the last `over` seconds. */
export interface Flickers {
  is: 'flickers';
  channel: string;
  from: number;
  to: number;
  over: number;
}

interface Beginnings extends Memory {
  times?: readonly number[];
  was?: boolean;
}

/** How many beginnings within `over` lie between the two, both included; none when the first is above the second. */
function numbers({ from, to, over }: Flickers): { least: number; most: number } {
  let [least, most] = [Math.ceil(from * over), Math.floor(to * over)];
  // As `look` compares them: by the quotient.
  while (least > 0 && (least - 1) / over >= from) least -= 1;
  while (least / over < from) least += 1;
  while ((most + 1) / over <= to) most += 1;
  while (most > 0 && most / over > to) most -= 1;
  return { least, most };
}

/** The last beginnings in a ring: one more than may be, as more are too many anyway. */
function codeOfFlickers(c: Flickers, at: CodeAt): Expression {
  const { remember, once, list, first, now } = at;
  const { least, most } = numbers(c);
  const room = most + 1;
  const times = list('Times', 'moment', room);
  const [many, oldest] = [remember('Many', 'int', whole(0)), remember('Oldest', 'int', whole(0))];
  const was = remember('Was', 'bool', bool(true));
  const answer = once('Now', at.channel(c.channel).answers);
  const next = signs('%', signs('+', oldest, whole(1)), whole(room));
  const free = signs('%', signs('+', oldest, many), whole(room));
  first(
    {
      do: 'while',
      when: and(signs('>', many, whole(0)), signs('>=', since(item(times, oldest)), ms(c.over))),
      body: [set(oldest, next), set(many, signs('-', many, whole(1)))],
    },
    ...when(and(answer, not(was)), [
      ...when(signs('==', many, whole(room)), [
        set(oldest, next),
        set(many, signs('-', many, whole(1))),
      ]),
      set(item(times, free), now),
      set(many, signs('+', many, whole(1))),
    ]),
    set(was, answer),
  );
  return and(signs('>=', many, whole(least)), signs('<=', many, whole(most)));
}

export const flickers = defineCondition<Flickers, Beginnings>({
  is: 'flickers',
  fields: {
    channel: name('channel', 'Channel'),
    from: { type: 'number', label: 'From', unit: 'Hz', min: 0, max: 1e4 },
    to: { type: 'number', label: 'To', unit: 'Hz', min: 0, max: 1e4, from: 'from' },
    over: seconds('Over the last', { above: true }),
  },
  look: ({ channel, from, to, over }, { view, memory, t }) => {
    const answer = view.channels[channel]?.tripped ?? false;
    const begun = answer && memory.was === false;
    const kept = (memory.times ?? []).filter((time) => !reached(t, time + over));
    const times = begun ? [...kept, t] : kept;
    const hertz = times.length / over;
    const [earliest] = times;
    const due = earliest === undefined ? {} : { due: earliest + over };
    return { holds: hertz >= from && hertz <= to, memory: { times, was: answer, ...due } };
  },
  slip: ({ channel, over }, every) => tooFarBack(over, every(channel)),
  code: (c, at) => codeOfFlickers(c, at),
  say: ({ channel, from, to }, words) =>
    `${words.channel(channel)} flickers at ${from} to ${to} Hz`,
  phrase: () => [
    { field: 'channel' },
    'flickers at',
    { field: 'from' },
    'to',
    { field: 'to' },
    'over',
    { field: 'over' },
  ],
  written: { call: 'flickers' },
  offer: {
    label: 'a flicker',
    alone: ({ channels: [first] }) =>
      first && { is: 'flickers', channel: first.id, from: 1, to: 15, over: 2 },
  },
});
