import type { Channel, Design } from '../design/index.js';
import {
  baselineCounts,
  channelCourse,
  isLearnt,
  levelsOf,
  restingChannel,
  type ChannelState,
  type Level,
} from '../logic/index.js';
import { formatQuantity } from '../quantity/index.js';
import type { Exposure } from './exposure.js';
import type { Trace } from './traces.js';
import type { Recorded } from './verdict.js';

interface Window {
  exposure?: Exposure;
  from: number;
  to: number;
}

/**
 * Why nothing acted during a happening, as far down the chain as the trouble lies: not felt, not
 * past the threshold, not often enough in a row, or tripped but nothing acted on it.
 */
export function silentReason(design: Design, window: Window, record: Recorded): string {
  const { exposure } = window;
  if (!exposure) return 'No sensor felt it: it does not reach their sight.';
  const felt = `It was felt for ${formatQuantity(exposure.end - exposure.start, 's')}`;
  if (design.channels.length === 0) return `${felt}, but nothing acted.`;
  const reasons = design.channels.map((channel) => {
    const trace = record.readings[channel.id];
    return channelReason(channel, trace, window, record);
  });
  return `${felt}. ${reasons.join(' ')}`;
}

function channelReason(
  channel: Channel,
  trace: Trace | undefined,
  { from, to }: Window,
  record: Recorded,
): string {
  const start = record.logic[0]?.logic.channels[channel.id] ?? restingChannel;
  const course = channelCourse(channel, start, trace?.times ?? [], trace?.values ?? []);
  const states = [...course].filter(({ at }) => at >= from && at <= to);
  if (states.length === 0) return `${channel.name} took no reading in that time.`;
  const tripped = record.logic.some(
    ({ t, logic }) => t >= from && t <= to && logic.channels[channel.id]?.tripped,
  );
  if (tripped) return `${channel.name} tripped, but nothing acted on it: follow its output.`;
  if (states.every((s) => !isLearnt(channel.baseline, s.baseline)))
    return `${channel.name} was still learning its baseline.`;
  const nearest = states
    .map((s) => nearestLevel(channel, s))
    .reduce((a, b) => (b.by > a.by ? b : a));
  const past = longestRun(states.map((s) => nearestLevel(channel, s).by > 0));
  const line = `${nearest.level.side} ${round(nearest.level.trip)}`;
  return past === 0
    ? `${channel.name} reached ${round(nearest.value)} counts and trips ${line}.`
    : `${channel.name} read ${line} ${past} time${past === 1 ? '' : 's'} in a row and needs ${channel.hits}.`;
}

const round = (counts: number): number => Math.round(counts * 10) / 10;

/** The level that a reading came nearest to, and by how much it passed it, counts; below 0 it did not. */
function nearestLevel(
  channel: Channel,
  { value = 0, baseline }: ChannelState,
): { level: Level; value: number; by: number } {
  const from = baselineCounts(channel.baseline, baseline);
  return levelsOf(channel, from)
    .map((level) => ({
      level,
      value,
      by: level.side === 'above' ? value - level.trip : level.trip - value,
    }))
    .reduce((a, b) => (b.by > a.by ? b : a));
}

function longestRun(flags: readonly boolean[]): number {
  let best = 0;
  let run = 0;
  for (const flag of flags) {
    run = flag ? run + 1 : 0;
    best = Math.max(best, run);
  }
  return best;
}
