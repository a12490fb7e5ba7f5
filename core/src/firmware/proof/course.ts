import { askedAt } from '../../catalog/index.js';
import type { Channel, Design } from '../../design/index.js';
import {
  isDue,
  outputDuty,
  readsAt,
  restingLogic,
  stepLogic,
  type LogicEvent,
  type LogicState,
} from '../../logic/index.js';

/** What pins read, from a moment on, ms. */
export interface Course {
  /** ms. */
  length: number;
  /** Time of day at its beginning, ms after midnight. */
  clock: number;
  changes: readonly { at: number; channel: string; counts: number }[];
  /** When power fails and is back at once, in order, ms: never at 0. */
  cuts: readonly number[];
}

/** How everything stands, and from when on, ms. */
export interface Stand {
  at: number;
  /** Answers, modes, counts, rules, and how often each notice was sent. */
  says: string;
  /** What each output pin gives, of 255. */
  pins: readonly number[];
}

/** Sums of times differ in their last digits, s. */
const slack = 1e-9;

/**
 * Plays a course through the rehearsed logic: how everything stands after each of its passes, up to one in which modes or rules go round
 * in a circle.
 */
export const playCourse = (design: Design, course: Course): Stand[] =>
  followCourse(design, course).stands;

/**
 * The same, and when it went round in a circle, ms.
 *
 * @param happened is told what each pass brought about, and how long after the last start, s
 */
export function followCourse(
  design: Design,
  course: Course,
  happened?: (t: number, events: readonly LogicEvent[]) => void,
): { stands: Stand[]; circles?: number } {
  let state = restingLogic(design, { clock: course.clock / 1000 });
  const pins = new Map(design.channels.map((c) => [c.id, atFirst(design, c)]));
  const kept = new Map<string, number>();
  const found: Stand[] = [];
  let next = 0;
  let start = 0;
  for (let at = 0; at <= course.length; at++) {
    const t = at / 1000;
    const edges = new Set<string>();
    if (course.cuts.includes(at)) {
      state = restingLogic(design, { at: t, clock: state.clock, kept: state });
      kept.clear();
      start = at;
    }
    for (let turn = course.changes[next]; turn && turn.at <= at; turn = course.changes[++next]) {
      const { channel: id, counts } = turn;
      const pin = design.channels.find((c) => c.id === id)?.pin;
      // Several channels may read one pin.
      for (const channel of design.channels.filter((c) => c.pin === pin)) {
        const reads = readsAt(channel.edge, pins.get(channel.id) ?? 0, counts);
        if (reads && channel.remembers) kept.set(channel.id, counts);
        else if (reads) edges.add(channel.id);
        pins.set(channel.id, counts);
      }
    }
    if (!edges.size && !isPass(design.channels, state, t)) continue;
    const due = design.channels.filter((c) => edges.has(c.id) || isDue(state, c, t + slack));
    const readings = new Map(due.map((c) => [c.id, kept.get(c.id) ?? pins.get(c.id) ?? 0]));
    for (const { id } of due) kept.delete(id);
    const [after, events] = stepLogic(design, state, readings, t);
    state = after;
    happened?.((at - start) / 1000, events);
    // What goes round in a circle has no one meaning from there on.
    if (state.circling.length > 0) return { stands: found, circles: at };
    found.push({ at, says: standing(design, state), pins: pinsOf(design, state, t) });
  }
  return { stands: found };
}

/** What a channel reads before anything turns: nothing, which of an echo is that none comes. */
export function atFirst(design: Design, { pin }: Channel): number {
  const asked = askedAt(design, pin);
  return asked?.by === 'echo' ? asked.none : 0;
}

function isPass(channels: readonly Channel[], state: LogicState, t: number): boolean {
  const { awake, next } = state;
  if (awake.asleep) return t + slack >= awake.wakes;
  return t + slack >= next || channels.some((c) => isDue(state, c, t));
}

const pinsOf = ({ outputs }: Design, state: LogicState, t: number): number[] => {
  // What feeds is off as soon as there is a reading.
  const read = t + Math.max(1e-4, ...state.fed.map(({ every }) => 3e-6 * every));
  return outputs.map((o) => {
    const duty = outputDuty(state, o, o.feeds ? read : t);
    return 255 * (o.active === 'high' ? duty : 1 - duty);
  });
};

function standing(design: Design, state: LogicState): string {
  const flag = (is: boolean | undefined): string => (is ? '1' : '0');
  const counts = new Map<string, number>();
  for (const { id, name } of design.notices)
    counts.set(name, (counts.get(name) ?? 0) + (state.notices[id]?.sent ?? 0));
  return [
    design.channels.map((c) => flag(state.channels[c.id]?.tripped)).join(''),
    design.machines
      .map((m) => m.modes.findIndex((mode) => mode.id === state.modes[m.id]?.mode))
      .join(','),
    design.counters.map((c) => state.counters[c.id]).join(','),
    design.rules.map((r) => flag(state.rules[r.id]?.active)).join(''),
    design.notices.map((n) => counts.get(n.name)).join(','),
  ].join('|');
}
