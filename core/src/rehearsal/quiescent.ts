import type { Channel, Scene } from '../design/index.js';
import { reached } from '../quantity/index.js';
import {
  restingChannel,
  baselineCounts,
  beyond,
  isLearnt,
  levelsOf,
  stepChannel,
  type ChannelState,
  type LogicState,
} from '../logic/index.js';
import { unsteadySpans, Spans } from '../scene/index.js';

/**
 * Until when nothing can change what is felt, in steady surroundings: the next beginning of a happening, while none is under way.
 *
 * @returns t itself when that is not so
 */
export function quiescentUntil(scene: Scene): (t: number) => number {
  const spans = new Spans(scene.happenings.flatMap(unsteadySpans));
  // At the end of one what it gave is looked at once more.
  return (t) => (spans.isAny(t) ? t : Math.min(scene.duration, spans.nextStart(t)));
}

/** What takes the readings of a channel while the circuit stands still. */
export interface Reader {
  channel: Channel;
  /** The reading without noise, and the most that noise can take it away, counts. */
  counts: number;
  spread: number;
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
 * @param stride every so many readings one is kept; above 1, readings that cannot matter are not taken at all
 * @returns the channels after it, and the time of the last reading; where an answer would change, of the one before
 */
export function readOn(
  readers: readonly Reader[],
  state: LogicState,
  t: number,
  until: number,
  stride = 1,
): { channels: LogicState['channels']; t: number } {
  const { since } = state.awake;
  const rows = readers.map((reader): Row => {
    const { id, every } = reader.channel;
    const now = state.channels[id] ?? restingChannel;
    return { reader, turn: Math.floor((t - since) / every + 1e-6) + 1, now, next: now };
  });
  const at = ({ reader, turn }: Row): number => since + turn * reader.channel.every;
  if (stride > 1)
    for (const row of rows) {
      const { reader, turn, now } = row;
      const end = Math.floor((until - since) / reader.channel.every - 1e-6);
      const to = end - lastThatMatter(reader.channel);
      if (to <= turn || !cannotAnswer(reader, now)) continue;
      for (row.turn = Math.ceil(turn / stride) * stride; row.turn < to; row.turn += stride)
        reader.keep(at(row), reader.read(reader.taken + row.turn - turn));
      reader.taken += to - turn;
      row.turn = to;
    }
  let last = t;
  for (;;) {
    let time = Infinity;
    for (const row of rows) time = Math.min(time, at(row));
    if (time === Infinity || reached(time, until)) break;
    let changes = false;
    for (const row of rows) {
      const { channel, read, taken } = row.reader;
      if (at(row) - time > 1e-6 * channel.every) continue;
      row.next = stepChannel(channel, row.now, read(taken), time);
      changes ||= row.next.tripped !== row.now.tripped;
    }
    if (changes) break;
    for (const row of rows) {
      if (row.next === row.now) continue;
      row.now = row.next;
      if (row.turn % stride === 0) row.reader.keep(time, row.now.counts);
      row.reader.taken += 1;
      row.turn += 1;
    }
    last = time;
  }
  const channels = { ...state.channels };
  for (const { reader, now } of rows) channels[reader.channel.id] = now;
  return { channels, t: last };
}

/** A channel with its next turn, its state, and the state that its next reading would make. */
interface Row {
  readonly reader: Reader;
  turn: number;
  now: ChannelState;
  next: ChannelState;
}

/** So many of the last readings a channel remembers. */
export const tail = ({ filter, hits, misses }: Channel): number =>
  (filter?.n ?? 0) + hits + misses + 2;

/** A baseline that follows has forgotten where it stood after so many times its time: e⁻¹⁶ of it is left. */
const forgotten = 16;

/** How long a baseline takes to follow readings, s; 0 for one that stands. */
const followOf = ({ baseline }: Channel): number =>
  baseline?.kind === 'learnt' ? baseline.follow : 0;

/** How a channel stands is decided by so many of its last readings. */
const lastThatMatter = (channel: Channel): number =>
  tail(channel) + Math.ceil((forgotten * followOf(channel)) / channel.every);

/** Whether a channel at rest knows nothing but its last readings: neither its filter nor its baseline follows all. */
export const remembersLast = (channel: Channel, state: ChannelState): boolean =>
  followOf(channel) === 0 && isOff(channel, state);

/** Whether a channel is at rest, and its filter knows only its last readings. */
const isOff = ({ filter, baseline }: Channel, state: ChannelState): boolean =>
  !(filter?.by === 'exponential' && filter.n > 1) &&
  !state.on &&
  !state.answer &&
  isLearnt(baseline, state.baseline);

/** Whether no reading within its noise can bring a channel to answer. */
function cannotAnswer({ channel, counts, spread }: Reader, state: ChannelState): boolean {
  if (!isOff(channel, state) || state.run > 0) return false;
  const values = [counts - spread, counts + spread, ...state.window];
  const stands = baselineCounts(channel.baseline, state.baseline);
  // A baseline that follows readings stays between them and where it stood.
  const between = followOf(channel) > 0 ? [...values, stands ?? counts] : undefined;
  const baselines = between ? [Math.min(...between), Math.max(...between)] : [stands];
  return baselines.every((baseline) =>
    values.every((value) => levelsOf(channel, baseline).every((level) => !beyond(level, value))),
  );
}
