import {
  brought,
  commented,
  snake,
  whole,
  type Declaration,
  type Expression,
  type Statement,
} from '../../code/index.js';
import type { Output } from '../../design/index.js';
import type { Board, Starts, WatchedPin } from '../board.js';

/** The clock of a program, and when its day began where it asks for the time of day. */
export const nowAndClock = (clock: boolean): Declaration[] => [
  {
    declares: 'variable',
    ...{ name: 'now', type: 'moment', value: whole(0, 'moment') },
    note: 'ms since the start',
  },
  ...(clock
    ? [
        {
          declares: 'variable' as const,
          ...{ name: 'clockStart', type: 'moment' as const, value: whole(0, 'moment') },
          note: 'time of day at the start, ms after midnight',
        },
      ]
    : []),
];

/** What stands before everything where a board wants nothing of its own there. */
export const beginsPlainly: Board['begins'] = ({ title, purpose }, clock) => ({
  title,
  says: [purpose, 'Written from the design.'],
  holds: nowAndClock(clock),
});

/** Calls a function that the board brings. */
export const does = (called: string, ...of: readonly Expression[]): Statement => ({
  do: 'call',
  call: brought(called, ...of),
});

/** Says that something has happened. */
export const tellOf: Board['tell'] = (kind, of, told) => ({
  do: 'call',
  call: brought(
    'tell',
    { is: 'text', value: kind },
    { is: 'text', value: commented(of) },
    'text' in told ? told.text : 'count' in told ? told.count : told.reading,
  ),
});

/** Whether a pin is high as long as its output is off. */
export const restsHigh = ({ active, feeds }: Output): boolean =>
  (active === 'high') === (feeds ?? false);

/** The edges that are noted, with the names as Python writes them. */
export const edgesOf = ({ edges }: Starts): WatchedPin[] =>
  edges.map((watched) => ({
    ...watched,
    pin: snake(watched.pin).toUpperCase(),
    notes: snake(watched.notes),
  }));
