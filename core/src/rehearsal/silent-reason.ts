import { channelReader, kindOf, paramsOf, sayReading } from '../catalog/index.js';
import type { Channel, Design, Part } from '../design/index.js';
import { formatQuantity } from '../quantity/index.js';
import type { Exposure } from './exposure.js';
import type { Span } from '../scene/index.js';
import { nearest } from './log-query.js';
import type { Recorded } from './verdict.js';

interface Window {
  exposure?: Exposure;
  /** Power came on as the scene began. */
  dead: boolean;
  /** It does something to the design itself: that need not be felt. */
  alters: boolean;
  /** When no radio is heard. */
  jams: readonly Span[];
  from: number;
  to: number;
}

/**
 * Why nothing acted during a happening, as far down the chain as the trouble lies: not felt, not
 * past the threshold, not often enough in a row, or tripped but nothing acted on it.
 */
export function silentReason(design: Design, window: Window, record: Recorded): string {
  const { exposure, alters } = window;
  if (!exposure && alters) return 'It changed nothing that acts.';
  if (!exposure) return 'No sensor felt it: it reaches none, or none feels such a thing.';
  const stimulus = `It was felt for ${formatQuantity(exposure.end - exposure.start, 's')}`;
  const cold = window.dead ? design.parts.flatMap((part) => stillCold(part, window)) : [];
  if (design.channels.length === 0) return [`${stimulus}, but nothing acted.`, ...cold].join(' ');
  const out = record.outages?.find((o) => o.from <= window.to && o.to >= window.from);
  const stood = out
    ? [`The controller did not run from ${formatQuantity(out.from, 's')} on: ${out.because}.`]
    : [];
  const jammed = window.jams
    .filter(({ start, end }) => start <= window.to && end >= window.from)
    .map(
      ({ start, end }) =>
        `What was sent from ${formatQuantity(start, 's')} to ${formatQuantity(end, 's')} nobody heard: the radio was jammed.`,
    );
  const reasons = design.channels.map((channel) => channelReason(design, channel, window, record));
  return `${stimulus}. ${[...reasons, ...stood, ...jammed, ...cold].join(' ')}`;
}

/** That a sensor had not warmed up when it began. */
function stillCold(part: Part, { from }: Window): string[] {
  const warm = kindOf(part).warmUp?.(paramsOf(part)) ?? 0;
  return from < warm ? [`${part.name} was warming up until ${formatQuantity(warm, 's')}.`] : [];
}

function channelReason(
  design: Design,
  channel: Channel,
  { from, to }: Window,
  record: Recorded,
): string {
  const near = nearest(channel, record, { from, to });
  if (!near) return `${channel.name} took no reading in that time.`;
  const tripped = record.logic.some(
    ({ t, logic }) => t >= from && t <= to && logic.channels[channel.id]?.tripped,
  );
  if (tripped) return `${channel.name} tripped, but nothing acted on it.`;
  if (near.learning) return `${channel.name} was still learning its baseline.`;
  const isLevel = channelReader(design, channel.pin)?.by === 'level';
  if (isLevel && near.row === 0)
    return `${channel.name} stayed ${sayReading(design, channel.pin, near.value)}.`;
  const line = `${near.level.side} ${round(near.level.trip)}`;
  return near.row === 0
    ? `${channel.name} reached ${round(near.value)} counts and trips ${line}.`
    : `${channel.name} read ${line} ${near.row} time${near.row === 1 ? '' : 's'} in a row and needs ${channel.hits}.`;
}

const round = (counts: number): number => Math.round(counts * 10) / 10;
