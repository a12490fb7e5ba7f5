import type { Channel } from '../design/index.js';
import {
  nextPass,
  outputDuty,
  restingLogic,
  stepLogic,
  type LogicEvent,
  type LogicState,
  type Program,
} from '../logic/index.js';

/** A channel that says what it reads: yes at 2, no at 0. */
export const yesNo = (id: string): Channel => ({
  id,
  name: id,
  pin: 'U.D2',
  trips: 'above',
  threshold: 1,
  hysteresis: 0,
  every: 0.01,
  hits: 1,
  misses: 1,
});

/** A program of channels a, b, c that say yes or no, with an output o, and whatever is given. */
export const program = (more: Partial<Program>): Program => ({
  controller: { pins: [] },
  channels: ['a', 'b', 'c'].map(yesNo),
  outputs: [{ id: 'o', name: 'o', pin: 'U.D8', active: 'high' }],
  counters: [],
  machines: [],
  rules: [],
  sequences: [],
  notices: [],
  ...more,
});

/** From a time on, the channels named in a text answer yes, all others no. */
export type Said = readonly [t: number, yes: string];

/**
 * Plays what channels say through a program, with a pass whenever one is due, and looks after each.
 *
 * @param until the last pass that is due by itself, s
 */
export function playThrough(
  p: Program,
  said: readonly Said[],
  until: number,
  look: (state: LogicState, t: number, events: readonly LogicEvent[]) => void,
  start = restingLogic(p),
): LogicState {
  let state = start;
  const pass = (t: number, readings: ReadonlyMap<string, number>): void => {
    const [after, events] = stepLogic(p, state, readings, t);
    state = after;
    look(state, t, events);
  };
  const goOn = (to: number): void => {
    for (let t = nextPass(state, -1); t < to && t <= until; t = nextPass(state, t))
      pass(t, new Map());
  };
  for (const [t, yes] of said) {
    goOn(t);
    pass(t, new Map(p.channels.map((c) => [c.id, yes.includes(c.id) ? 2 : 0])));
  }
  goOn(Infinity);
  return state;
}

/** When an output goes on and off: "0.5+ 1.5-". */
export function switching(p: Program, said: readonly Said[], until: number): string {
  let on = false;
  const found: string[] = [];
  playThrough(p, said, until, (state, t) => {
    const now = outputDuty(state, p.outputs[0], t) > 0;
    if (now !== on) found.push(`${Math.round(t * 1000) / 1000}${now ? '+' : '-'}`);
    on = now;
  });
  return found.join(' ');
}
