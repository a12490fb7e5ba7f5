import type { Design, TerminalRef } from '../design/index.js';
import { channelReader, highReading } from './channel-reader.js';

/**
 * A reading as people say it: a level is low or high, or high for part of the time once it has been averaged; all else is
 * counts.
 *
 * @param ref the pin or readout that is read
 * @param counts 0 to `highReading` for a level
 * @param unit left out where there is no room for it
 */
export function sayReading(
  design: Design,
  ref: TerminalRef,
  counts: number,
  unit = ' counts',
): string {
  if (channelReader(design, ref)?.by !== 'level') return `${counts}${unit}`;
  if (counts <= 0) return 'low';
  return counts >= highReading ? 'high' : `${Math.round((100 * counts) / highReading)} % high`;
}
