import { calledIn, eventOf, type BoardEvent, type Called } from './event-line.js';
import type { Design } from '../design/index.js';

/** An event with the run it is of: a board that begins anew begins a new one, the first is 1. */
export interface LoggedEvent extends BoardEvent {
  run: number;
}

/** What a board has told, in the order in which it came. */
export interface BoardLog {
  events: readonly LoggedEvent[];
  /** How often the board has begun, as far as its times tell. */
  runs: number;
  /** Events that were let go: only the last so many are kept. */
  gone: number;
}

export const noLog: BoardLog = { events: [], runs: 0, gone: 0 };

/** So many events are kept. */
export const mostEvents = 100_000;

/** A log with one event more. */
export function logged(log: BoardLog, event: BoardEvent): BoardLog {
  const before = log.events.at(-1)?.t ?? Infinity;
  const runs = event.t < before ? log.runs + 1 : log.runs;
  const over = log.events.length >= mostEvents ? 1 : 0;
  return {
    events: [...log.events.slice(over), { ...event, run: runs }],
    runs,
    gone: log.gone + over,
  };
}

/** A log as it was read from a text. */
export interface ReadLog extends BoardLog {
  /** Lines that are no events: readings, answers, anything else. */
  others: number;
}

/**
 * The log in what a terminal program has kept of a serial line: events among whatever else came.
 *
 * @throws RangeError where not one event is in it
 */
export function readLog(text: string, design: Design): ReadLog {
  const called = calledIn(design);
  const lines = text.split(/\r\n|\n|\r/).filter((l) => l.trim() !== '');
  const found = lines.map((l) => eventIn(l, called)).filter((e) => e !== undefined);
  if (found.length === 0)
    throw new RangeError(
      `None of ${lines.length} lines is an event, as "# event 12.04 rule r1: begins". Keep what the board sends over its serial line, by a build that is not quiet.`,
    );
  const events: LoggedEvent[] = [];
  let run = 0;
  let before = Infinity;
  for (const event of found) {
    if (event.t < before) run++;
    before = event.t;
    events.push({ ...event, run });
  }
  const gone = Math.max(0, events.length - mostEvents);
  return { events: events.slice(gone), runs: run, gone, others: lines.length - found.length };
}

/** A terminal program may have put the time of day before a line. */
const eventIn = (text: string, called: Called): BoardEvent | undefined => {
  const from = text.indexOf('# event ');
  return from < 0 ? undefined : eventOf(text.slice(from + 2).trim(), called);
};
