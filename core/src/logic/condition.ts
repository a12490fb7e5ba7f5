import type { Condition } from '../design/index.js';
import {
  flickers,
  moved,
  pressed,
  thenOf,
  type Course,
  type Pair,
  type Presses,
} from './events.js';
import type { Node } from './program.js';
import type { LogicState } from './state.js';

const day = 86_400;

/** What one part of a condition remembers from one look to the next; most remember nothing. */
export interface Memory {
  /** Since when its own part has held, s. */
  since?: number;
  /** Whether its own part held. */
  was?: boolean;
  pair?: Pair;
  presses?: Presses;
  course?: Course;
  /** When it may change although nothing else does, s. */
  due?: number;
}

/** What conditions look at. */
export type View = Pick<
  LogicState,
  'channels' | 'modes' | 'counters' | 'rules' | 'playing' | 'clock'
>;

/** Whether a part of a condition holds, and what it remembers. */
export interface Look {
  holds: boolean;
  memory: Memory;
}

const nothing: Memory = {};

/**
 * Looks at every part of every condition once, in their order.
 *
 * @param t s
 */
export function lookAt(
  nodes: readonly Node[],
  memories: readonly Memory[],
  view: View,
  t: number,
): { holds: boolean[]; memories: Memory[] } {
  const holds: boolean[] = new Array(nodes.length);
  const after: Memory[] = new Array(nodes.length);
  for (let i = 0; i < nodes.length; i++) {
    const { condition, parts } = nodes[i];
    const look = lookAtOne(
      condition,
      parts.map((p) => holds[p]),
      memories[i] ?? nothing,
      view,
      t,
    );
    holds[i] = look.holds;
    after[i] = look.memory;
  }
  return { holds, memories: after };
}

function lookAtOne(
  condition: Condition,
  parts: readonly boolean[],
  memory: Memory,
  view: View,
  t: number,
): Look {
  const plain = (holds: boolean): Look => ({ holds, memory: nothing });
  const answer = (channel: string): boolean => view.channels[channel]?.tripped ?? false;
  switch (condition.is) {
    case 'channel':
      return plain(answer(condition.channel));
    case 'all':
      return plain(parts.every(Boolean));
    case 'any':
      return plain(parts.some(Boolean));
    case 'not':
      return plain(!parts[0]);
    case 'at least':
      return plain(parts.filter(Boolean).length >= condition.n);
    case 'for':
      return heldFor(condition.seconds, parts[0], memory, t);
    case 'begins':
      return { holds: memory.was === false && parts[0], memory: { was: parts[0] } };
    case 'ends':
      return { holds: memory.was === true && !parts[0], memory: { was: parts[0] } };
    case 'then':
      return thenOf(condition, parts, memory, t);
    case 'press':
      return pressed(condition, answer(condition.channel), memory, t);
    case 'reading':
      return plain(compares(condition, view.channels[condition.channel]?.value));
    case 'changes':
      return moved(condition, view.channels[condition.channel], memory);
    case 'flickers':
      return flickers(condition, answer(condition.channel), memory, t);
    case 'count':
      return plain(counts(condition, view.counters[condition.counter] ?? 0));
    case 'time':
      return timeOfDay(condition, view.clock, t);
    case 'mode':
      return plain(view.modes[condition.machine]?.mode === condition.mode);
    case 'rule':
      return plain(view.rules[condition.rule]?.active ?? false);
    case 'playing':
      return plain(view.playing[condition.sequence] !== undefined);
  }
}

function heldFor(seconds: number, part: boolean, { since }: Memory, t: number): Look {
  if (!part) return { holds: false, memory: nothing };
  const from = since ?? t;
  const end = from + seconds;
  return t >= end
    ? { holds: true, memory: { since: from } }
    : { holds: false, memory: { since: from, due: end } };
}

function compares(
  { compare, counts: line }: Extract<Condition, { is: 'reading' }>,
  value: number | undefined,
): boolean {
  if (value === undefined) return false;
  if (compare === 'equal') return value === line;
  return compare === 'above' ? value > line : value < line;
}

function counts({ compare, value }: Extract<Condition, { is: 'count' }>, count: number): boolean {
  if (compare === 'exactly') return count === value;
  return compare === 'at least' ? count >= value : count <= value;
}

/** From `from` on, up to but not at `to`. */
function timeOfDay(
  { from, to }: Extract<Condition, { is: 'time' }>,
  clock: number,
  t: number,
): Look {
  // Whole microseconds, so that a pass that is due at a time of day finds it come.
  const now = (Math.round((((clock + t) % day) + day) * 1e6) / 1e6) % day;
  const holds = from <= to ? now >= from && now < to : now >= from || now < to;
  const ahead = (at: number): number => {
    const wait = (((at - now) % day) + day) % day;
    return wait > 0 ? wait : day;
  };
  return { holds, memory: { due: t + Math.min(ahead(from), ahead(to)) } };
}
