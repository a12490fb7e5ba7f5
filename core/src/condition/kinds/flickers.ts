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
    const kept = (memory.times ?? []).filter((time) => t < time + over);
    const times = begun ? [...kept, t] : kept;
    const hertz = times.length / over;
    const [earliest] = times;
    const due = earliest === undefined ? {} : { due: earliest + over };
    return { holds: hertz >= from && hertz <= to, memory: { times, was: answer, ...due } };
  },
  slip: ({ channel, over }, every) => tooFarBack(over, every(channel)),
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
