import { and, bool, ms, or, signs } from '../../code/index.js';
import { sayTime } from '../../quantity/index.js';
import { defineCondition } from '../condition-kind.js';

/** Between two times of the day, s after midnight; past midnight if `to` lies before `from`. */
export interface TimeOfDay {
  is: 'time';
  from: number;
  to: number;
}

const day = 86_400;

export const timeOfDay = defineCondition<TimeOfDay>({
  is: 'time',
  fields: { from: { type: 'time', label: 'From' }, to: { type: 'time', label: 'To' } },
  // From `from` on, up to but not at `to`.
  look: ({ from, to }, { view: { clock }, t }) => {
    // Whole microseconds, so that a pass that is due at a time of day finds it come.
    const now = (Math.round((((clock + t) % day) + day) * 1e6) / 1e6) % day;
    const holds = from <= to ? now >= from && now < to : now >= from || now < to;
    const ahead = (at: number): number => {
      const wait = (((at - now) % day) + day) % day;
      return wait > 0 ? wait : day;
    };
    return { holds, memory: { due: t + Math.min(ahead(from), ahead(to)) } };
  },
  code: ({ from, to }, { clock }) => {
    const begun = from === 0 ? bool(true) : signs('>=', clock, ms(from));
    const over = to === 0 ? bool(false) : signs('<', clock, ms(to));
    return from <= to ? and(begun, over) : or(begun, over);
  },
  say: ({ from, to }) => `between ${sayTime(from)} and ${sayTime(to)}`,
  phrase: () => ['between', { field: 'from' }, 'and', { field: 'to' }],
  written: { call: 'between' },
  offer: {
    label: 'a time of day',
    alone: () => ({ is: 'time', from: 79_200, to: 21_600 }),
  },
});
