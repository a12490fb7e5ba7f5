import { reached } from '../../quantity/index.js';
import {
  and,
  item,
  ms,
  name as called,
  or,
  real,
  set,
  signs,
  when,
  whole,
  type Expression,
} from '../../code/index.js';
import type { CodeAt } from '../code-at.js';
import { defineCondition } from '../condition-kind.js';
import { counts, name, seconds } from '../field.js';
import { tooFarBack } from '../look-back.js';
import type { Memory } from '../seen.js';

/** The filtered reading has risen, or fallen if `by` is below 0, by so many counts within `over` seconds. */
export interface Changes {
  is: 'changes';
  channel: string;
  by: number;
  over: number;
}

/** Readings that still count, by when they were taken. */
interface Course extends Memory {
  times?: readonly number[];
  values?: readonly number[];
}

/** The readings that count in a ring, and the least or the most of them. */
function codeOfChanges({ channel, by, over }: Changes, at: CodeAt): Expression {
  const { remember, once, list, first } = at;
  const { value, isRead, readAt, type, every } = at.channel(channel);
  const room = Math.ceil(over / every) + 2;
  const [times, values] = [list('Times', 'moment', room), list('Values', type, room)];
  const [many, oldest] = [remember('Many', 'int', whole(0)), remember('Oldest', 'int', whole(0))];
  const seen = remember('Seen', 'moment', whole(0, 'moment'));
  const far = remember('Far', type, type === 'real' ? real(0) : whole(0, type));
  const place = (n: Expression): Expression => signs('%', signs('+', oldest, n), whole(room));
  const forget = [set(oldest, place(whole(1))), set(many, signs('-', many, whole(1)))];
  const fresh = once(
    'Fresh',
    and(isRead, or(signs('==', many, whole(0)), signs('!=', seen, readAt))),
  );
  const each = called('i');
  first(
    ...when(fresh, [
      ...when(signs('==', many, whole(room)), forget),
      set(item(times, place(many)), readAt),
      set(item(values, place(many)), value),
      set(many, signs('+', many, whole(1))),
      set(seen, readAt),
      {
        do: 'while',
        when: signs('>', signs('-', readAt, item(times, oldest)), ms(over)),
        body: forget,
      },
      set(far, value),
      {
        do: 'count',
        name: 'i',
        below: many,
        body: when(signs(by > 0 ? '<' : '>', item(values, place(each)), far), [
          set(far, item(values, place(each))),
        ]),
      },
    ]),
  );
  const moved = signs('-', value, far);
  const line = Number.isInteger(by) && type !== 'real' ? whole(by, type) : real(by);
  return and(isRead, signs(by > 0 ? '>=' : '<=', moved, line));
}

export const changes = defineCondition<Changes, Course>({
  is: 'changes',
  fields: {
    channel: name('channel', 'Channel'),
    by: counts('By so many counts; below 0 it falls', { nonzero: true }),
    over: seconds('Over the last', { above: true }),
  },
  numeric: true,
  look: ({ channel, by, over }, { view, memory }) => {
    const now = view.channels[channel];
    if (now?.value === undefined) return false;
    const { value, at } = now;
    const { times = [], values = [] } = memory;
    const from = times.findIndex((time) => reached(time, at - over));
    const kept = from < 0 ? times.length : from;
    const fresh = times[times.length - 1] === at ? [] : [{ at, value }];
    const course = {
      times: [...times.slice(kept), ...fresh.map((f) => f.at)],
      values: [...values.slice(kept), ...fresh.map((f) => f.value)],
    };
    // Since the least, or the most, of the time that counts.
    const since = by > 0 ? Math.min(...course.values) : Math.max(...course.values);
    return { holds: by > 0 ? value - since >= by : value - since <= by, memory: course };
  },
  slip: ({ channel, over }, every) => tooFarBack(over, every(channel)),
  code: (c, at) => codeOfChanges(c, at),
  say: ({ channel, by, over }, words) =>
    `${words.channel(channel)} ${by > 0 ? 'rises' : 'falls'} by ${Math.abs(by)} within ${words.time(over)}`,
  phrase: () => [{ field: 'channel' }, 'moves by', { field: 'by' }, 'within', { field: 'over' }],
  written: { call: 'changes' },
  offer: {
    label: 'a reading that moves fast',
    alone: ({ channels: [first] }) =>
      first && { is: 'changes', channel: first.id, by: 50, over: 1 },
  },
});
