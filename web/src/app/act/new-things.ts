import {
  freshId,
  type Action,
  type Condition,
  type Counter,
  type Design,
  type Edit,
  type Machine,
  type Notice,
  type Rule,
  type Sequence,
} from '@yurei/core/design';
import { someCondition } from './new-condition';

const fresh = (prefix: string, list: readonly { id: string }[]): string =>
  freshId(
    prefix,
    list.map((item) => item.id),
  );

/** A rule that switches the first output on. */
export function newRule(design: Design): Rule | undefined {
  const then = firstAct(design);
  if (!then) return undefined;
  return {
    id: fresh('r', design.rules),
    when: someCondition(design),
    hold: 0,
    latch: false,
    then: [then],
  };
}

/** The first output switched on, or else the first counter counted. */
function firstAct({ outputs: [output], counters: [counter] }: Design): Action | undefined {
  if (output) return { do: 'drive', output: output.id, drive: { as: 'on' } };
  return counter && { do: 'count', counter: counter.id, by: 1 };
}

export const newCounter = (design: Design): Counter => ({
  id: fresh('count', design.counters),
  name: `Count ${design.counters.length + 1}`,
  start: 0,
  least: 0,
  most: 9999,
});

export function newNotice(design: Design): Notice {
  const [counter, machine] = [design.counters[0], design.machines[0]];
  const tells: Notice['tells'] = counter
    ? { tell: 'counter', counter: counter.id }
    : machine
      ? { tell: 'mode', machine: machine.id }
      : { tell: 'condition', condition: someCondition(design) };
  const id = fresh('n', design.notices);
  return { id, name: `Notice ${design.notices.length + 1}`, tells, heartbeat: 300 };
}

export function newSequence(design: Design): Sequence | undefined {
  if (design.outputs.length === 0) return undefined;
  return {
    id: fresh('s', design.sequences),
    name: `Sequence ${design.sequences.length + 1}`,
    length: 10,
    times: 1,
    lanes: design.outputs.slice(0, 4).map((output, i) => ({
      output: output.id,
      blocks: i === 0 ? [{ start: 0, length: 2, drive: { as: 'on' } }] : [],
    })),
  };
}

/** Sets of modes to begin with. */
export const machineKinds: readonly { label: string; make: (design: Design) => Machine }[] = [
  {
    label: 'on and off',
    make: (design) => ({
      id: fresh('modes', design.machines),
      name: 'Modes',
      start: 'off',
      modes: [mode('off', 'Off'), mode('on', 'On')],
      transitions: [
        { from: 'off', to: 'on', when: press(design) },
        { from: 'on', to: 'off', when: press(design) },
      ],
    }),
  },
  {
    label: 'guard: exit delay, armed, entry delay, alarm',
    make: (design) => ({
      id: fresh('guard', design.machines),
      name: 'Guard',
      start: 'off',
      modes: [
        mode('off', 'Off'),
        mode('leaving', 'Leaving'),
        mode('armed', 'Armed'),
        mode('entering', 'Entering'),
        mode('alarm', 'Alarm'),
      ],
      transitions: [
        { to: 'off', when: press(design) },
        { from: 'off', to: 'leaving', when: press(design) },
        { from: 'leaving', to: 'armed', after: 30 },
        { from: 'armed', to: 'entering', when: someCondition(design) },
        { from: 'entering', to: 'alarm', after: 20 },
      ],
    }),
  },
  {
    label: 'warm-up, then watch',
    make: (design) => ({
      id: fresh('watch', design.machines),
      name: 'Watch',
      start: 'warming',
      modes: [mode('warming', 'Warming up'), mode('watching', 'Watching')],
      transitions: [{ from: 'warming', to: 'watching', after: 60 }],
    }),
  },
];

const mode = (id: string, name: string): Machine['modes'][number] => ({ id, name });

/** A short press of the last channel, where there is one. */
function press(design: Design): Condition {
  const channel = design.channels[design.channels.length - 1];
  return channel
    ? { is: 'press', channel: channel.id, press: 'short', long: 2, gap: 0 }
    : someCondition(design);
}

/** The edit that adds a thing, or nothing where the design lacks what it would name. */
export function addEdit(design: Design, what: string): Edit | undefined {
  const [kind, which] = what.split(' ');
  const rule = kind === 'rule' ? newRule(design) : undefined;
  const sequence = kind === 'sequence' ? newSequence(design) : undefined;
  if (rule) return { type: 'put-rule', rule };
  if (sequence) return { type: 'put-sequence', sequence };
  if (kind === 'counter') return { type: 'put-counter', counter: newCounter(design) };
  if (kind === 'notice') return { type: 'put-notice', notice: newNotice(design) };
  const machine = kind === 'machine' ? machineKinds[Number(which)] : undefined;
  if (machine) return { type: 'put-machine', machine: machine.make(design) };
  if (kind === 'sleep')
    return {
      type: 'set-controller',
      sleep: { every: 8, awake: 0.1 },
      watchdog: design.controller.watchdog,
    };
  return undefined;
}
