import type { Channel, Design } from '../design/index.js';
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
  const counts = (trace?.values ?? []).filter(
    (_, i) => trace && trace.times[i] >= from && trace.times[i] <= to,
  );
  if (counts.length === 0) return `${channel.name} took no reading in that time.`;
  const tripped = record.logic.some(
    ({ t, logic }) => t >= from && t <= to && logic.channels[channel.id]?.tripped,
  );
  if (tripped) return `${channel.name} tripped, but nothing acted on it: follow its output.`;
  const above = channel.trips === 'above';
  const extreme = counts.reduce((a, b) => (above ? Math.max(a, b) : Math.min(a, b)));
  const past = longestRun(
    counts.map((c) => (above ? c > channel.threshold : c < channel.threshold)),
  );
  const line = `${above ? 'above' : 'below'} ${channel.threshold}`;
  return past === 0
    ? `${channel.name} reached ${extreme} counts and trips ${line}.`
    : `${channel.name} read ${line} ${past} time${past === 1 ? '' : 's'} in a row and needs ${channel.hits}.`;
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
