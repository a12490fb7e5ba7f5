import type { Condition, Design } from '@yurei/core/design';

/** A kind of condition as it is offered: what it is called, and one of it to begin with. */
export interface ConditionKind {
  label: string;
  /** Undefined while there is nothing in the design that it could name. */
  make: (design: Design) => Condition | undefined;
}

const first = <T>(list: readonly { id: string }[], make: (id: string) => T): T | undefined =>
  list[0] && make(list[0].id);

/** Conditions that stand alone, by what they look at. */
export const plainKinds: Readonly<Partial<Record<Condition['is'], ConditionKind>>> = {
  channel: {
    label: 'a channel answers yes',
    make: (d) => first(d.channels, (channel) => ({ is: 'channel', channel })),
  },
  press: {
    label: 'a press',
    make: (d) =>
      first(d.channels, (channel) => ({ is: 'press', channel, press: 'short', long: 2, gap: 0 })),
  },
  mode: {
    label: 'a mode',
    make: (d) =>
      first(d.machines, (machine) => ({ is: 'mode', machine, mode: d.machines[0].modes[0].id })),
  },
  count: {
    label: 'a count',
    make: (d) =>
      first(d.counters, (counter) => ({ is: 'count', counter, compare: 'at least', value: 1 })),
  },
  reading: {
    label: 'a reading, or a tag',
    make: (d) =>
      first(d.channels, (channel) => ({ is: 'reading', channel, compare: 'above', counts: 500 })),
  },
  changes: {
    label: 'a reading that moves fast',
    make: (d) => first(d.channels, (channel) => ({ is: 'changes', channel, by: 50, over: 1 })),
  },
  flickers: {
    label: 'a flicker',
    make: (d) =>
      first(d.channels, (channel) => ({ is: 'flickers', channel, from: 1, to: 15, over: 2 })),
  },
  time: { label: 'a time of day', make: () => ({ is: 'time', from: 79_200, to: 21_600 }) },
  playing: {
    label: 'a sequence plays',
    make: (d) => first(d.sequences, (sequence) => ({ is: 'playing', sequence })),
  },
  rule: {
    label: 'another rule is active',
    make: (d) => first(d.rules, (rule) => ({ is: 'rule', rule })),
  },
};

/** The condition to begin with. */
export const someCondition = (design: Design): Condition =>
  plainKinds.channel?.make(design) ?? { is: 'time', from: 79_200, to: 21_600 };

/** What can be put around a condition, by its words. */
export const wraps: readonly {
  label: string;
  wrap: (of: Condition, another: Condition) => Condition;
}[] = [
  { label: '… and …', wrap: (of, another) => ({ is: 'all', of: [of, another] }) },
  { label: '… or …', wrap: (of, another) => ({ is: 'any', of: [of, another] }) },
  { label: 'not …', wrap: (of) => ({ is: 'not', of }) },
  { label: '… for a time', wrap: (of) => ({ is: 'for', seconds: 0.5, of }) },
  {
    label: '… then … within a time',
    wrap: (of, another) => ({ is: 'then', first: of, second: another, within: 2 }),
  },
  { label: '… begins', wrap: (of) => ({ is: 'begins', of }) },
  { label: '… ends', wrap: (of) => ({ is: 'ends', of }) },
  {
    label: 'at least so many of …',
    wrap: (of, another) => ({ is: 'at least', n: 1, of: [of, another] }),
  },
];
