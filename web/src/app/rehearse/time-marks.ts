import { chainOf, type Event } from '@yurei/core/rehearsal';
import { sayMoment } from '../common/say-moment';
import type { Window } from '../common/trace-path';

/** Events that stand so close that they are drawn as one mark. */
export interface Mark {
  t: number;
  /** How many, and what they are, each with what brought it about. */
  count: number;
  title: string;
  /** The first of them in a few words. */
  text: string;
}

/** Of so many events in one mark the rest is only counted. */
const mostTold = 6;

/**
 * Events within a stretch of time as marks.
 *
 * @param apart the least share of the stretch from one mark to the next
 */
export function marksOf(events: readonly Event[], { from, to }: Window, apart: number): Mark[] {
  const marks: { at: Event[]; first: Event }[] = [];
  for (const event of events) {
    if (event.t < from || event.t > to) continue;
    const last = marks.at(-1);
    if (last && event.t - last.first.t < apart * (to - from)) last.at.push(event);
    else marks.push({ first: event, at: [event] });
  }
  return marks.map(({ first, at }) => ({
    t: first.t,
    count: at.length,
    title: [
      ...at.slice(0, mostTold).map((event) => withCause(events, event)),
      ...(at.length > mostTold ? [`and ${at.length - mostTold} more`] : []),
    ].join('\n'),
    text: at.length === 1 ? first.text : `${at.length} events`,
  }));
}

/** "16.61 s Sounder turns, as Beam answers". */
function withCause(events: readonly Event[], event: Event): string {
  const causes = chainOf(events, events.indexOf(event))
    .filter((e) => e !== event)
    .map((e) => e.text);
  const because = causes.length > 0 ? `, because: ${causes.slice(-3).join('; ')}` : '';
  return `${sayMoment(event.t)}  ${event.text}${because}`;
}
