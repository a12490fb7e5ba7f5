import { channelReader, terminalOf } from '../catalog/index.js';
import {
  applyEdit,
  freshId,
  splitRef,
  type Channel,
  type Design,
  type Edit,
} from '../design/index.js';

/** What a pin reads at most where it is not known. */
const usualFull = 1023;

/**
 * A channel that reads a pin, its threshold in the middle of what can be read, with the edits that set the pin up.
 *
 * @param pin a pin, or a readout: that needs no setting up
 */
export function newChannel(design: Design, pin: string): { channel: Channel; edits: Edit[] } {
  const id = freshId(
    'ch',
    design.channels.map((c) => c.id),
  );
  const modes = terminalOf(design, pin)?.modes;
  const mode = modes && (modes.includes('analogue') ? 'analogue' : 'input');
  const setUp: Edit[] = mode ? [{ type: 'set-pin', pin, mode }] : [];
  const full = channelReader(setUp.reduce(applyEdit, design), pin)?.full ?? usualFull;
  const middle = Math.round(full / 2);
  const channel: Channel = {
    id,
    name: splitRef(pin).terminal,
    pin,
    trips: 'above',
    threshold: middle,
    hysteresis: Math.round(middle / 10),
    every: 0.01,
    hits: 3,
    misses: 3,
  };
  return { channel, edits: [...setUp, { type: 'put-channel', channel }] };
}
