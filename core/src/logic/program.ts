import { kindOfCondition, partsOf, type Condition } from '../condition/index.js';
import type { Design } from '../design/index.js';

/** The part of a design that runs on the controller. */
export type Program = Pick<
  Design,
  | 'controller'
  | 'channels'
  | 'outputs'
  | 'counters'
  | 'machines'
  | 'rules'
  | 'sequences'
  | 'notices'
>;

/** One part of a condition, with the places of what it is made of in the list of all parts. */
export interface Node {
  condition: Condition;
  /** Places of its own parts, which stand before it. */
  parts: readonly number[];
}

/** Places in the list of nodes of the conditions of a rule. */
export interface RulePlaces {
  when: number;
  /** Undefined where the rule does not have it. */
  while?: number;
  until?: number;
}

/** Every condition of a program in one list, each part before what it is a part of. */
export interface Conditions {
  nodes: readonly Node[];
  rules: readonly RulePlaces[];
  /** By machine, then by transition; undefined for one that only waits. */
  transitions: readonly (readonly (number | undefined)[])[];
  /** By notice; undefined for those that tell no condition. */
  notices: readonly (number | undefined)[];
  unless?: number;
  /** Channels whose reading matters as a number, not only its answer. */
  numbers: ReadonlySet<string>;
}

const known = new WeakMap<Program, Conditions>();

/** The conditions of a program; worked out once for each. */
export function conditionsOf(program: Program): Conditions {
  const before = known.get(program);
  if (before) return before;
  const conditions = listConditions(program);
  known.set(program, conditions);
  return conditions;
}

/** Drives that take a level from a channel follow its reading. */
const drivesOf = (program: Program): object[] => [
  ...program.rules.flatMap((r) => r.then.flatMap((a) => (a.do === 'drive' ? [a.drive] : []))),
  ...program.sequences.flatMap((s) =>
    s.lanes.flatMap((l) => [...(l.ambient ? [l.ambient] : []), ...l.blocks.map((b) => b.drive)]),
  ),
];

function listConditions(program: Program): Conditions {
  const nodes: Node[] = [];
  const add = (condition: Condition): number => {
    const parts = partsOf(condition).map(add);
    return nodes.push({ condition, parts }) - 1;
  };
  const maybe = (condition: Condition | undefined): number | undefined =>
    condition && add(condition);
  const rules = program.rules.map((rule) => ({
    when: add(rule.when),
    while: maybe(rule.while),
    until: maybe(rule.until),
  }));
  const transitions = program.machines.map((m) => m.transitions.map((t) => maybe(t.when)));
  const notices = program.notices.map(({ tells }) =>
    tells.tell === 'condition' ? add(tells.condition) : undefined,
  );
  const unless = maybe(program.controller.sleep?.unless);
  const numbers = new Set<string>();
  for (const { condition: c } of nodes)
    if (kindOfCondition(c).numeric && 'channel' in c) numbers.add(c.channel);
  for (const drive of drivesOf(program))
    if (
      'level' in drive &&
      typeof drive.level === 'object' &&
      drive.level &&
      'channel' in drive.level
    )
      numbers.add(String(drive.level.channel));
  for (const { tells } of program.notices) if (tells.tell === 'reading') numbers.add(tells.channel);
  return { nodes, rules, transitions, notices, unless, numbers };
}
