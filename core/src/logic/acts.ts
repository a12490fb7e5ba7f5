import type { Act, Counter } from '../design/index.js';
import type { Cause, LogicEvent } from './logic-event.js';
import type { Program } from './program.js';
import type { LogicState } from './state.js';

/** Something to be done once, and what asks for it. */
export interface Asked {
  act: Act;
  by: readonly Cause[];
}

/** Does what is to be done once, in its order, and tells what came of it. */
export function doAll(
  program: Program,
  asked: readonly Asked[],
  before: Pick<LogicState, 'counters' | 'playing'>,
  t: number,
): Pick<LogicState, 'counters' | 'playing'> & { events: LogicEvent[] } {
  const counters = { ...before.counters };
  let playing = { ...before.playing };
  const events: LogicEvent[] = [];
  for (const { act, by: because } of asked) {
    if (act.do === 'play' || act.do === 'stop') {
      const { sequence: id } = act;
      const begins = act.do === 'play';
      if (begins === id in playing) continue;
      if (begins) playing[id] = t;
      else playing = Object.fromEntries(Object.entries(playing).filter(([other]) => other !== id));
      events.push({ kind: 'sequence', id, begins, because });
    } else {
      const counter = program.counters.find((c) => c.id === act.counter);
      if (!counter) continue;
      const { id } = counter;
      const from = counters[id] ?? counter.start;
      const to = bounded(counter, act.do === 'set' ? act.to : from + act.by);
      counters[id] = to;
      if (to !== from) events.push({ kind: 'counter', id, from, to, because });
    }
  }
  return { counters, playing, events };
}

/** A count between its limits: it stays at one, or goes on from the other. */
export function bounded({ least, most, wraps }: Counter, count: number): number {
  if (!wraps) return Math.min(most, Math.max(least, count));
  const span = most - least + 1;
  return least + ((((count - least) % span) + span) % span);
}
