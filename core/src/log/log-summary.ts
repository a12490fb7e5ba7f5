import type { BoardLog, LoggedEvent } from './board-log.js';
import type { EventKind } from './event-line.js';

/** One thing that a board tells of, over a whole log. */
export interface LogSummary {
  kind: EventKind;
  of: string;
  id?: string;
  /** How often a rule began, a mode was entered, or a notice was sent. */
  times: number;
  /** How long a rule was active, s, as far as both its ends are told; of rules alone. */
  active?: number;
  first: LoggedEvent;
  last: LoggedEvent;
}

/** How often what has happened, what came first first. */
export function summaryOf({ events }: BoardLog): LogSummary[] {
  const all = new Map<string, [LoggedEvent, ...LoggedEvent[]]>();
  for (const event of events) {
    const key = `${event.kind} ${event.of}`;
    const known = all.get(key);
    if (known) known.push(event);
    else all.set(key, [event]);
  }
  return [...all.values()].map(one);
}

function one(events: readonly [LoggedEvent, ...LoggedEvent[]]): LogSummary {
  const [first] = events;
  const { kind, of, id } = first;
  const isRule = kind === 'rule';
  return {
    kind,
    of,
    ...(id === undefined ? {} : { id }),
    times: isRule ? events.filter(({ what }) => what === 'begins').length : events.length,
    ...(isRule ? { active: activeIn(events) } : {}),
    first,
    last: events.at(-1) ?? first,
  };
}

/** From each beginning to the end that follows it in the same run. */
const activeIn = (events: readonly LoggedEvent[]): number =>
  events.reduce((sum, event, i) => {
    const next = events[i + 1];
    const ends = event.what === 'begins' && next?.what === 'ends' && next.run === event.run;
    return ends ? sum + next.t - event.t : sum;
  }, 0);
