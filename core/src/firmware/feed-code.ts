import {
  choice,
  ms,
  name,
  or,
  signs,
  type Expression,
  type Section,
  type Statement,
} from '../code/index.js';
import type { Design } from '../design/index.js';
import type { Board } from './board.js';
import type { ChannelProgram } from './channel-code.js';
import type { Frame } from './frame.js';

/** The outputs that feed sensors for their readings, and the function that switches them. */
export interface FeedProgram {
  section: Section;
  feeds: string;
}

/** Where channels tell how long their sensors are fed before a reading; else what feeds is on from the start. */
export function feedCode(
  frame: Frame,
  board: Board,
  channels: readonly ChannelProgram[],
): FeedProgram | undefined {
  const { design } = frame;
  const outputs = design.outputs.filter((o) => o.feeds);
  const times = design.channels.flatMap(({ powerUp }, i): Expression[] => {
    const due = channels[i]?.due;
    if (powerUp === undefined || due === undefined) return [];
    const reads = design.controller.sleep
      ? choice(name('asleep'), name('wakesAt'), name(due))
      : name(due);
    return [signs('>=', signs('+', name('now'), ms(powerUp)), reads)];
  });
  if (outputs.length === 0 || times.length === 0) return undefined;
  const on = or(...times);
  const body = outputs.map((output): Statement => {
    const pin = name(frame.output(output.id).pin);
    return board.writeHigh(pin, output.active === 'high' ? on : signs('not', on));
  });
  const feeds = 'feedSensors';
  const [first] = outputs;
  return {
    feeds,
    section: {
      title: outputs.map((o) => o.name).join(', '),
      ...(first ? { about: first.id } : {}),
      says: ['Feeds sensors for their readings only.'],
      holds: [{ declares: 'function', name: feeds, takes: [], body }],
    },
  };
}

/** How long before a waking sensors are fed at most, s. */
export const leadOf = ({ channels, outputs }: Design): number =>
  outputs.some((o) => o.feeds) ? Math.max(0, ...channels.map((c) => c.powerUp ?? 0)) : 0;
