import type { Act, Counter } from '../design/index.js';
import type { Program } from './program.js';

/** What acts change. */
export interface Changed {
  counters: Record<string, number>;
  playing: Record<string, number>;
}

/** Does what is to be done once, in its order. */
export function doAll(
  program: Program,
  acts: readonly Act[],
  before: Readonly<Changed>,
  t: number,
): Changed {
  const counters = { ...before.counters };
  let playing = { ...before.playing };
  for (const act of acts) {
    if (act.do === 'play') playing[act.sequence] ??= t;
    else if (act.do === 'stop')
      playing = Object.fromEntries(Object.entries(playing).filter(([id]) => id !== act.sequence));
    else {
      const counter = program.counters.find((c) => c.id === act.counter);
      if (!counter) continue;
      const count = counters[counter.id] ?? counter.start;
      counters[counter.id] = bounded(counter, act.do === 'set' ? act.to : count + act.by);
    }
  }
  return { counters, playing };
}

/** A count between its limits: it stays at one, or goes on from the other. */
export function bounded({ least, most, wraps }: Counter, count: number): number {
  if (!wraps) return Math.min(most, Math.max(least, count));
  const span = most - least + 1;
  return least + ((((count - least) % span) + span) % span);
}
