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
    const from = times.findIndex((time) => time >= at - over);
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
