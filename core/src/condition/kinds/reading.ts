import { and, real, signs, whole } from '../../code/index.js';
import { defineCondition } from '../condition-kind.js';
import { choice, counts, name } from '../field.js';

/** The filtered reading of a channel, counts; what a tag reader or keypad has read is 'equal'. */
export interface Reading {
  is: 'reading';
  channel: string;
  compare: 'above' | 'below' | 'equal';
  counts: number;
}

export const reading = defineCondition<Reading>({
  is: 'reading',
  fields: {
    channel: name('channel', 'Channel'),
    compare: choice('Comparison', 'above', 'below', 'equal'),
    counts: counts('Counts'),
  },
  numeric: true,
  look: (c, { view }) => {
    const value = view.channels[c.channel]?.value;
    if (value === undefined) return false;
    if (c.compare === 'equal') return value === c.counts;
    return c.compare === 'above' ? value > c.counts : value < c.counts;
  },
  code: ({ channel, compare, counts: line }, at) => {
    const { isRead, value, type } = at.channel(channel);
    const sign = compare === 'equal' ? '==' : compare === 'above' ? '>' : '<';
    const number = Number.isInteger(line) && type !== 'real' ? whole(line, type) : real(line);
    return and(isRead, signs(sign, value, number));
  },
  say: (c, words) =>
    `${words.channel(c.channel)} reads ${c.compare === 'equal' ? '' : `${c.compare} `}${c.counts}`,
  phrase: () => [{ field: 'channel' }, 'reads', { field: 'compare' }, { field: 'counts' }],
  written: { call: 'reads' },
  offer: {
    label: 'a reading, or a tag',
    alone: ({ channels: [first] }) =>
      first && { is: 'reading', channel: first.id, compare: 'above', counts: 500 },
  },
});
