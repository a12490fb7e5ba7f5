import { channelReader } from '../catalog/index.js';
import type { Channel, Design } from '../design/index.js';
import { errorsAt, kept, measure, sayErrors } from '../judge/index.js';

/** Where the line of a channel comes from: what the readings that were taken say of it. */
export function lineFrom(design: Design, channel: Channel): string {
  const sets = design.readings.filter((s) => s.channel === channel.id);
  const raw = sets.map((s) => ({ ...s, counts: kept(s) })).filter((s) => s.counts.length > 0);
  const measured = measure(channel, raw);
  const many = raw.reduce((sum, { counts }) => sum + counts.length, 0);
  if (channelReader(design, channel.pin)?.by === 'level') return '';
  if (many === 0) return 'set without readings';
  if (!measured) return `set by ${many} readings, none of them quiet`;
  const costs = { miss: channel.missCost ?? 1, false: 1 };
  const { misses, falses } = errorsAt(measured.sets, measured.side, channel.threshold, costs);
  const told = [
    ...(misses.tries > 0 ? [`misses ${sayErrors(misses.events, misses.tries)}`] : []),
    ...(falses.tries > 0 ? [`false ${sayErrors(falses.events, falses.tries)}`] : []),
  ];
  return `from ${many} readings: ${told.join(', ')}`;
}
