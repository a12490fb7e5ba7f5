import { brought, snake, whole, type Declaration, type Statement } from '../../code/index.js';
import type { Channel, Output } from '../../design/index.js';
import type { Starts, Told } from '../board.js';

/** The clock of a program, and when its day began. */
export const nowAndClock = (): Declaration[] => [
  {
    declares: 'variable',
    ...{ name: 'now', type: 'moment', value: whole(0, 'moment') },
    note: 'ms since the start',
  },
  {
    declares: 'variable',
    ...{ name: 'clockStart', type: 'moment', value: whole(0, 'moment') },
    note: 'time of day at the start, ms after midnight',
  },
];

/** Says a notice. */
export const tellOf = (notice: string, told: Told): Statement => ({
  do: 'call',
  call: brought('tell', { is: 'text', value: notice }, 'text' in told ? told.text : told.number),
});

/** Whether a pin is high as long as its output is off. */
export const restsHigh = ({ active, feeds }: Output): boolean =>
  (active === 'high') === (feeds ?? false);

/** The edges that are noted, with the names as Python writes them. */
export const edgesOf = ({
  edges,
}: Starts): { pin: string; edge: NonNullable<Channel['edge']>; notes: string }[] =>
  edges.map(({ pin, channel, notes }) => ({
    pin: snake(pin).toUpperCase(),
    edge: channel.edge ?? 'change',
    notes: snake(notes),
  }));
