/**
 * Modes and timers against xstate 5, an independent interpreter of state charts (W3C SCXML semantics): the
 * same charts on the same random courses are in the same modes after every moment.
 */
import fc from 'fast-check';
import { createActor, createMachine, SimulatedClock, type AnyActorLogic } from 'xstate';
import type { Condition, Machine, Rule } from '../design/index.js';
import { playThrough, program, type Said } from '../testing/play-program.js';
import type { Program } from './index.js';

const ids = ['a', 'b', 'c'];
const is = (channel: string): Condition => ({ is: 'channel', channel });

/** What channels say at whole milliseconds that no timer of whole tenths ever meets. */
const courses = fc
  .array(fc.tuple(fc.integer({ min: 0, max: 12 }), fc.subarray(ids)), { minLength: 4, maxLength: 40 })
  .map((steps): Said[] => {
    let tenth = 0;
    return [
      [0, ''],
      ...steps.map(([dt, yes], i): Said => [((tenth += dt + 1) * 100 + i + 1) / 1000, yes.join('')]),
    ];
  });

/** Plays a course through an xstate machine, one millisecond at a time, and tells what it is in after each moment of it. */
function playXstate<T>(
  build: (yes: (id: string) => boolean) => AnyActorLogic,
  said: readonly Said[],
  read: (snapshot: { value: unknown }) => T,
): T[] {
  let now = '';
  const clock = new SimulatedClock();
  const actor = createActor(build((id) => now.includes(id)), { clock });
  actor.start();
  let at = 0;
  return said.map(([t, yes]) => {
    for (const until = Math.round(t * 1000); at < until; at++) clock.increment(1);
    const rises = ids.filter((id) => yes.includes(id) && !now.includes(id));
    now = yes;
    actor.send({ type: rises.length === 1 ? `${rises[0]} begins` : 'look' });
    return read(actor.getSnapshot() as { value: unknown });
  });
}

/** What the same course does in our interpreter, looked at after each moment of it. */
function playOurs<T>(p: Program, said: readonly Said[], read: (state: never) => T): T[] {
  const seen: T[] = [];
  const times = new Set(said.map(([t]) => t));
  playThrough(p, said, said[said.length - 1][0], (state, t) => {
    if (times.has(t)) seen.push(read(state as never));
  });
  return seen;
}

interface Edge {
  from: number;
  to: number;
  kind: 'yes' | 'no' | 'begins' | 'after' | 'other';
  channel: string;
  tenths: number;
}
const modeNames = ['m0', 'm1', 'm2', 'm3'];
const edges = fc.array(
  fc.record({
    from: fc.integer({ min: 0, max: 3 }),
    to: fc.integer({ min: 0, max: 3 }),
    kind: fc.constantFrom('yes', 'no', 'begins', 'after', 'other'),
    channel: fc.constantFrom(...ids),
    tenths: fc.integer({ min: 1, max: 20 }),
  }) as fc.Arbitrary<Edge>,
  { minLength: 3, maxLength: 12 },
);

/** Events come first, as in a chart whose levels are looked at only when no event takes a transition. */
const ordered = (list: Edge[]): Edge[] =>
  list
    .filter((e) => e.from !== e.to)
    .sort((x, y) => Number(y.kind === 'begins') - Number(x.kind === 'begins'));

function ourChart(id: string, other: string, list: readonly Edge[]): Machine {
  const condition = ({ kind, channel, tenths }: Edge): Condition => {
    if (kind === 'no') return { is: 'not', of: is(channel) };
    if (kind === 'begins') return { is: 'begins', of: is(channel) };
    if (kind === 'other') return { is: 'mode', machine: other, mode: modeNames[tenths % 4] };
    return is(channel);
  };
  return {
    id,
    name: id,
    start: 'm0',
    modes: modeNames.map((name) => ({ id: name, name })),
    transitions: list.map((e) => ({
      from: modeNames[e.from],
      to: modeNames[e.to],
      ...(e.kind === 'after' ? { after: e.tenths / 10 } : { when: condition(e) }),
    })),
  };
}

/** The same chart as a region of xstate's configuration, in which every mode has an id of its own. */
function theirChart(
  id: string,
  other: string,
  list: readonly Edge[],
  yes: (id: string) => boolean,
): object {
  const state = (mode: number): object => {
    const mine = list.filter((e) => e.from === mode);
    const target = (e: Edge): string => `#${id}-${modeNames[e.to]}`;
    const on: Record<string, string> = {};
    const after: Record<number, string> = {};
    for (const e of mine) if (e.kind === 'begins') on[`${e.channel} begins`] ??= target(e);
    for (const e of mine) if (e.kind === 'after') after[e.tenths * 100] ??= target(e);
    const guard = (e: Edge) => (args: { value?: unknown }, self: never) => {
      void args;
      void self;
      return e.kind === 'yes' ? yes(e.channel) : !yes(e.channel);
    };
    const always = mine
      .filter((e) => e.kind === 'yes' || e.kind === 'no' || e.kind === 'other')
      .map((e) => ({
        target: target(e),
        guard:
          e.kind === 'other'
            ? { type: 'xstate.stateIn', params: {}, stateValue: '', ...inMode(other, e) }
            : guard(e),
      }));
    return { id: `${id}-${modeNames[mode]}`, on, after, always };
  };
  return {
    initial: 'm0',
    states: Object.fromEntries(modeNames.map((name, i) => [name, state(i)])),
  };
}
