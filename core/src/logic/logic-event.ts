import { fieldsOf, kindOfCondition, type Condition, type Named } from '../condition/index.js';
import type { Node, Program } from './program.js';
import type { LogicState } from './state.js';

/** An earlier event, as what an event came of is called: the last of its kind and id, and way. */
export interface Cause {
  kind: 'channel' | 'mode' | 'rule' | 'counter' | 'sequence' | 'controller';
  id: string;
  /** Of channels, rules, sequences and the controller: whether it began or ended. */
  begins?: boolean;
}

/** What a pass of the program brought about, and of what it came. */
export type LogicEvent = { because: readonly Cause[] } & (
  | { kind: 'channel' | 'rule' | 'sequence'; id: string; begins: boolean }
  /** `way` is the place of the transition that was taken; undefined after a reset. */
  | { kind: 'mode'; id: string; from: string; to: string; way?: number }
  | { kind: 'counter'; id: string; from: number; to: number }
  /** What an output is now driven to, as a share of full. */
  | { kind: 'output'; id: string; target: number }
  | { kind: 'notice'; id: string; told: string; why: 'change' | 'heartbeat' }
  | { kind: 'sleep'; begins: boolean }
);

/**
 * What a condition that holds came of; with `holds` false, what one that does not hold came of.
 *
 * @param held whether each part of every condition holds
 */
export function causesOf(
  nodes: readonly Node[],
  held: readonly boolean[],
  place: number | undefined,
  holds = true,
): Cause[] {
  const node = place === undefined ? undefined : nodes[place];
  if (!node) return [];
  const { condition, parts } = node;
  if (parts.length === 0) return ownCause(condition, holds);
  const turned = kindOfCondition(condition).turns ? !holds : holds;
  // Of several that are joined, those that are as the whole is; of what came in turn, each.
  const joined = [...fieldsOf(condition)].some(([, { type }]) => type === 'conditions');
  const deciding = parts.filter((part) => !joined || held[part] === turned);
  return deciding.flatMap((part) => causesOf(nodes, held, part, turned));
}

/** What each thing that is named tells of itself; of these a mode and a count do not begin and end. */
const told: Readonly<Record<Named, Cause['kind']>> = {
  channel: 'channel',
  counter: 'counter',
  machine: 'mode',
  rule: 'rule',
  sequence: 'sequence',
};

const ownCause = (condition: Condition, holds: boolean): Cause[] =>
  [...fieldsOf(condition)].flatMap(([, field, value]): Cause[] => {
    if (field.type !== 'name') return [];
    const kind = told[field.of];
    const begins = kind === 'mode' || kind === 'counter' ? {} : { begins: holds };
    return [{ kind, id: String(value), ...begins }];
  });

/** What a reset, or the loss of power, brings about. */
export function resetEvents(program: Program, before: LogicState, after: LogicState): LogicEvent[] {
  const because: Cause[] = [{ kind: 'controller', id: 'controller', begins: false }];
  const events: LogicEvent[] = [];
  const ended = (
    kind: 'channel' | 'rule' | 'sequence',
    id: string,
    was = false,
    begins = false,
  ): void => {
    if (was !== begins) events.push({ kind, id, begins, because });
  };
  for (const { id } of program.channels)
    ended('channel', id, before.channels[id]?.tripped, after.channels[id]?.tripped);
  for (const { id } of program.machines) {
    const [from, to] = [before.modes[id]?.mode, after.modes[id]?.mode];
    if (from !== undefined && to !== undefined && from !== to)
      events.push({ kind: 'mode', id, from, to, because });
  }
  for (const { id } of program.rules)
    ended('rule', id, before.rules[id]?.active, after.rules[id]?.active);
  for (const { id } of program.counters) {
    const [from = 0, to = 0] = [before.counters[id], after.counters[id]];
    if (from !== to) events.push({ kind: 'counter', id, from, to, because });
  }
  for (const { id } of program.sequences) ended('sequence', id, id in before.playing, false);
  for (const { id } of program.outputs) {
    const target = after.outputs[id]?.target;
    if (target !== undefined && target !== before.outputs[id]?.target)
      events.push({ kind: 'output', id, target, because });
  }
  return events;
}
