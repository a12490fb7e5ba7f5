import { checkDesign } from '../catalog/index.js';
import { demo } from '../testing/demo.js';
import { applyEdit, type Condition, type Design, type Edit } from './index.js';

const is = (channel: string): Condition => ({ is: 'channel', channel });
const stairs = demo('loft-stairs');
/** The stairs with everything in it that can name something else. */
const full: Design = {
  ...stairs,
  controller: {
    ...stairs.controller,
    sleep: { every: 8, awake: 1, unless: is('low') },
    watchdog: 4,
  },
  sequences: [
    {
      id: 'show',
      name: 'Show',
      length: 4,
      times: 1,
      lanes: [
        { output: 'sounder', blocks: [{ start: 0, length: 1, drive: { as: 'on' } }] },
        {
          output: 'lamp',
          ambient: { as: 'level', level: { counter: 'inside', of: 9 } },
          blocks: [],
        },
      ],
    },
  ],
  rules: [
    ...stairs.rules,
    {
      id: 'r6',
      when: { is: 'all', of: [is('low'), { is: 'not', of: { is: 'playing', sequence: 'show' } }] },
      while: { is: 'rule', rule: 'r4' },
      until: { is: 'count', counter: 'inside', compare: 'at least', value: 3 },
      hold: 0,
      latch: true,
      then: [
        { do: 'play', sequence: 'show' },
        {
          do: 'drive',
          output: 'lamp',
          drive: { as: 'pattern', beats: [0.1, 0.1], times: { counter: 'inside' }, pause: 1 },
        },
      ],
    },
  ],
  scenes: stairs.scenes.map((s) => ({
    ...s,
    happenings: s.happenings.map((h) => ({
      ...h,
      signs: [
        { by: 'counter', counter: 'inside', step: 1 },
        { by: 'mode', machine: 'guard', mode: 'alarm' },
        { by: 'part', part: 'P1' },
        { by: 'notice', notice: 'n1' },
      ],
    })),
  })),
};

describe('what names a thing that goes, goes with it or does without', () => {
  const removals: [string, Edit, (after: Design) => unknown, unknown][] = [
    [
      'a channel: conditions are left with the rest, rules without any go',
      { type: 'remove-channel', id: 'low' },
      (d) => [d.rules.map((r) => r.id), d.rules.at(-1)?.when, d.controller.sleep],
      [
        ['r3', 'r4', 'r5', 'r6'],
        { is: 'all', of: [{ is: 'not', of: { is: 'playing', sequence: 'show' } }] },
        { every: 8, awake: 1 },
      ],
    ],
    [
      'a counter: acts and comparisons go, levels are plainly on',
      { type: 'remove-counter', id: 'inside' },
      (d) => [
        d.rules.map((r) => r.id),
        d.rules.at(-1)?.until,
        d.sequences[0].lanes[1].ambient,
        d.notices.map((n) => n.id),
      ],
      [['r3', 'r4', 'r5', 'r6'], undefined, { as: 'on' }, ['n2']],
    ],
    [
      'a chart, with the mode in which a scene begins',
      { type: 'remove-machine', id: 'guard' },
      (d) => [d.rules.map((r) => r.id), d.scenes[0].modes],
      [['r1', 'r2', 'r6'], {}],
    ],
    [
      'a sequence',
      { type: 'remove-sequence', id: 'show' },
      (d) => [d.rules.at(-1)?.when, d.rules.at(-1)?.then.map((a) => a.do)],
      [{ is: 'all', of: [is('low')] }, ['drive']],
    ],
    [
      'an output, with its lane',
      { type: 'remove-output', id: 'sounder' },
      (d) => [d.rules.map((r) => r.id), d.sequences[0].lanes.map((l) => l.output)],
      [['r1', 'r2', 'r4', 'r5', 'r6'], ['lamp']],
    ],
    [
      'a rule that another asks for',
      { type: 'remove-rule', id: 'r4' },
      (d) => d.rules.at(-1)?.while,
      undefined,
    ],
    [
      'a notice and a part that happenings are noticed by',
      {
        type: 'batch',
        label: 'both',
        edits: [
          { type: 'remove-notice', id: 'n1' },
          { type: 'remove-part', id: 'P1' },
        ],
      },
      (d) => d.scenes[0].happenings[0].signs?.map((s) => s.by),
      ['counter', 'mode'],
    ],
  ];
  it.each(removals)('%s', (_, edit, look, expected) => {
    const after = applyEdit(full, edit);
    expect(look(after)).toEqual(expected);
    expect(checkDesign(after).filter((p) => p.severity === 'refuse')).toEqual([]);
  });

  it('a mode: its ways, what asks for it, and scenes that begin in it', () => {
    const [guard] = full.machines;
    const modes = guard.modes.filter((m) => m.id !== 'armed');
    const transitions = guard.transitions.filter((t) => t.from !== 'armed' && t.to !== 'armed');
    const after = applyEdit(full, {
      type: 'put-machine',
      machine: { ...guard, modes, transitions },
    });
    expect(after.rules.find((r) => r.id === 'r5')?.when).toEqual({
      is: 'any',
      of: [{ is: 'mode', machine: 'guard', mode: 'leaving' }],
    });
    expect(after.scenes[0].modes).toEqual({});
    const alarms = modes.filter((m) => m.id !== 'alarm');
    const less = applyEdit(after, {
      type: 'put-machine',
      machine: { ...guard, modes: alarms, transitions: [] },
    });
    expect(less.scenes[0].happenings[0].signs?.map((s) => s.by)).toEqual([
      'counter',
      'part',
      'notice',
    ]);
    expect(checkDesign(after).filter((p) => p.severity === 'refuse')).toEqual([]);
  });
});

it('a rule is moved in front of another, or last', () => {
  const order = (d: Design): string => d.rules.map((r) => r.id).join(' ');
  const first = applyEdit(full, { type: 'move-rule', id: 'r6', before: 'r1' });
  expect(order(first)).toBe('r6 r1 r2 r3 r4 r5');
  expect(order(applyEdit(first, { type: 'move-rule', id: 'r6' }))).toBe('r1 r2 r3 r4 r5 r6');
  expect(() => applyEdit(full, { type: 'move-rule', id: 'r9' })).toThrow(/no rule r9/);
});

it('sleep and watchdog are set and left out again', () => {
  const set = applyEdit(stairs, {
    type: 'set-controller',
    sleep: { every: 10, awake: 0.2 },
    watchdog: 2,
  });
  expect(set.controller).toMatchObject({ sleep: { every: 10, awake: 0.2 }, watchdog: 2 });
  expect(applyEdit(set, { type: 'set-controller' })).toEqual(stairs);
});
