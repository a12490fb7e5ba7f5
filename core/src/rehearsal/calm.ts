import type { Channel, Scene } from '../design/index.js';
import { stepChannel, type ChannelState, type LogicState } from '../logic/index.js';
import { happeningSpan, isSteady } from '../scene/index.js';

/**
 * Until when nothing can change what is felt: the next beginning of a happening, while none is under way and the
 * surroundings are steady.
 *
 * @returns t itself when that is not so
 */
export function calmUntil(scene: Scene): (t: number) => number {
  if (!isSteady(scene)) return (t) => t;
  const spans = scene.happenings.map(happeningSpan);
  return (t) => {
    // At the end of one what it gave is looked at once more.
    if (spans.some(({ start, end }) => t >= start && t <= end)) return t;
    return Math.min(scene.duration, ...spans.flatMap(({ start }) => (start > t ? [start] : [])));
  };
}

/** What takes the readings of a channel while the circuit stands still. */
export interface Reader {
  channel: Channel;
  /** The n-th reading of the channel. */
  read: (n: number) => number;
  /** How many readings it has taken. */
  taken: number;
  keep: (t: number, value: number) => void;
}

/**
 * Takes readings one after the other, as long as no channel's answer changes: nothing else does then.
 *
 * @param until readings at this time or later are left to a full pass
 * @returns the channels after it, and the time of the last reading; where an answer would change, of the one before
 */
export function readOn(
  readers: readonly Reader[],
  state: LogicState,
  t: number,
  until: number,
): { channels: LogicState['channels']; t: number } {
  const { since } = state.awake;
  const turns = readers.map((r) => Math.floor((t - since) / r.channel.every + 1e-9) + 1);
  const at = (i: number): number => since + turns[i] * readers[i].channel.every;
  const now: ChannelState[] = readers.map((r) => state.channels[r.channel.id]);
  const next: ChannelState[] = [...now];
  let last = t;
  for (;;) {
    let time = Infinity;
    for (let i = 0; i < readers.length; i++) time = Math.min(time, at(i));
    if (!(time < until)) break;
    let changes = false;
    for (let i = 0; i < readers.length; i++) {
      if (Math.abs(at(i) - time) > 1e-9) continue;
      const { channel, read, taken } = readers[i];
      next[i] = stepChannel(channel, now[i], read(taken), time);
      changes ||= next[i].tripped !== now[i].tripped;
    }
    if (changes) break;
    for (let i = 0; i < readers.length; i++) {
      if (next[i] === now[i]) continue;
      now[i] = next[i];
      readers[i].keep(time, now[i].counts);
      readers[i].taken += 1;
      turns[i] += 1;
    }
    last = time;
  }
  const channels = { ...state.channels };
  readers.forEach((r, i) => (channels[r.channel.id] = now[i]));
  return { channels, t: last };
}
