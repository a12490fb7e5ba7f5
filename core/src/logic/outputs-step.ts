import type { Drive, Lane, Output, Sequence } from '../design/index.js';
import { reached } from '../quantity/index.js';
import { arrival, ask, levelAt, type Asked } from './drive.js';
import type { Cause, LogicEvent } from './logic-event.js';
import type { Program } from './program.js';
import { restingOutput, type LogicState, type OutputState } from './state.js';

/** What drives an output, since when, and how. */
interface Driver extends Asked {
  by: string;
  since: number;
}

/** What every output is driven to, after rules and sequences have been worked out; and when that changes. */
export function stepOutputs(
  program: Program,
  state: LogicState,
  t: number,
): { outputs: Record<string, OutputState>; events: LogicEvent[]; due: number } {
  let due = Infinity;
  const events: LogicEvent[] = [];
  const outputs: Record<string, OutputState> = {};
  for (const output of program.outputs) {
    const before = state.outputs[output.id] ?? { ...restingOutput, at: t, since: t };
    const driver = driverOf(program, state, output, before, t);
    const after = turned(output, before, driver, t);
    outputs[output.id] = after;
    const { target } = after;
    if (target !== before.target) {
      const because =
        driver.by === '' ? drove(program, before.by, false) : drove(program, driver.by);
      events.push({ kind: 'output', id: output.id, target, because });
    }
    const arrives = arrival(output, after);
    due = Math.min(due, driver.due, arrives > t ? arrives : Infinity);
  }
  return { outputs, events, due };
}

/** That what drives an output began, or that it ended: a rule, or a sequence with one of its blocks. */
function drove({ rules, sequences }: Program, by: string, begins = true): Cause[] {
  const [id = by] = by.split('.');
  if (rules.some((r) => r.id === id)) return [{ kind: 'rule', id, begins }];
  return sequences.some((s) => s.id === id) ? [{ kind: 'sequence', id, begins }] : [];
}

function turned(output: Output, before: OutputState, driver: Driver, t: number): OutputState {
  const { level: target, by, since } = driver;
  if (target === before.target && by === before.by && since === before.since) {
    return reached(t, arrival(output, before)) && before.level !== before.target
      ? { ...before, level: before.target, at: t }
      : before;
  }
  return { level: levelAt(output, before, t), at: t, target, by, since };
}

/** A sequence that plays, then the first active rule, then what a lane asks for while nothing plays. */
function driverOf(
  program: Program,
  state: LogicState,
  output: Output,
  before: OutputState,
  t: number,
): Driver {
  const lanes = program.sequences.flatMap((sequence) =>
    sequence.lanes.filter((l) => l.output === output.id).map((lane) => ({ sequence, lane })),
  );
  for (const { sequence, lane } of lanes) {
    const began = state.playing[sequence.id];
    if (began !== undefined) return inLane(sequence, lane, began, t, state);
  }
  for (const rule of program.rules) {
    const now = state.rules[rule.id];
    if (!now?.active) continue;
    for (const [i, act] of rule.then.entries()) {
      if (act.do !== 'drive' || act.output !== output.id) continue;
      return driven(act.drive, `${rule.id}.${i}`, now.began, t, state);
    }
  }
  const ambient = lanes.find(({ lane }) => lane.ambient);
  if (ambient?.lane.ambient) {
    const by = `${ambient.sequence.id}.ambient`;
    return driven(ambient.lane.ambient, by, before.by === by ? before.since : t, t, state);
  }
  return { by: '', since: before.by === '' ? before.since : t, level: 0, due: Infinity };
}

const driven = (drive: Drive, by: string, since: number, t: number, state: LogicState): Driver => ({
  by,
  since,
  ...ask(drive, since, t, state),
});

/** What a lane asks for at a moment of a sequence that plays; the first of blocks that overlap. */
function inLane(
  sequence: Sequence,
  lane: Lane,
  began: number,
  t: number,
  state: LogicState,
): Driver {
  const round = roundOf(sequence, began, t);
  const edges = lane.blocks.flatMap((b) => [round + b.start, round + b.start + b.length]);
  const due = Math.min(round + sequence.length, ...edges.filter((e) => e > t));
  const i = lane.blocks.findIndex(
    ({ start, length }) => reached(t, round + start) && !reached(t, round + start + length),
  );
  const playing = lane.blocks[i];
  if (!playing) return { by: sequence.id, since: round, level: 0, due };
  const { start, drive } = playing;
  const block = driven(drive, `${sequence.id}.${i}`, round + start, t, state);
  return { ...block, due: Math.min(due, block.due) };
}

/** When the round of a sequence that is now being played began, s. */
export function roundOf({ length }: Sequence, began: number, t: number): number {
  const whole = Math.max(0, Math.floor((t - began) / length));
  const round = began + whole * length;
  return reached(t, round + length) ? round + length : round;
}
