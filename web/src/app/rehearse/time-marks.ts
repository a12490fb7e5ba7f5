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
  const marks: { at: number[]; t: number }[] = [];
  events.forEach((event, i) => {
    if (event.t < from || event.t > to) return;
    const last = marks[marks.length - 1];
    if (last && event.t - last.t < apart * (to - from)) last.at.push(i);
    else marks.push({ t: event.t, at: [i] });
  });
  return marks.map(({ t, at }) => ({
    t,
    count: at.length,
    title: [
      ...at.slice(0, mostTold).map((i) => withCause(events, i)),
      ...(at.length > mostTold ? [`and ${at.length - mostTold} more`] : []),
    ].join('\n'),
    text: at.length === 1 ? events[at[0]].text : `${at.length} events`,
  }));
}

/** "16.61 s Sounder turns, as Beam answers". */
function withCause(events: readonly Event[], index: number): string {
  const event = events[index];
  const causes = chainOf(events, index)
    .filter((e) => e !== event)
    .map((e) => e.text);
  const because = causes.length > 0 ? `, because: ${causes.slice(-3).join('; ')}` : '';
  return `${sayMoment(event.t)}  ${event.text}${because}`;
}
