import type { Condition, Design, Drive, Happening } from '@yurei/core/design';
import { conditionKinds } from '@yurei/core/condition';
import { demo } from './workbench-bed';

const yes: Condition = { is: 'channel', channel: 'c1' };

/** One condition of each kind, joined. */
const every: Condition = {
  is: 'all',
  of: [
    yes,
    { is: 'press', channel: 'c1', press: 'double', long: 2, gap: 0.4 },
    { is: 'mode', machine: 'm1', mode: 'a' },
    { is: 'count', counter: 'n1', compare: 'at least', value: 2 },
    { is: 'reading', channel: 'c1', compare: 'above', counts: 100 },
    { is: 'changes', channel: 'c1', by: 30, over: 5 },
    { is: 'flickers', channel: 'c1', from: 1, to: 5, over: 10 },
    { is: 'time', from: 72000, to: 21600 },
    { is: 'playing', sequence: 's1' },
    { is: 'rule', rule: 'r2' },
    { is: 'any', of: [yes, { is: 'channel', channel: 'c2' }] },
    { is: 'not', of: yes },
    { is: 'for', of: yes, seconds: 3 },
    { is: 'then', first: yes, second: { is: 'channel', channel: 'c2' }, within: 8 },
    { is: 'begins', of: yes },
    { is: 'ends', of: yes },
    { is: 'at least', n: 1, of: [yes, { is: 'channel', channel: 'c2' }] },
  ],
};

const drives: readonly Drive[] = [
  { as: 'level', level: 0.5 },
  { as: 'level', level: { counter: 'n1', of: 4 } },
  { as: 'level', level: { channel: 'c1', from: 0, to: 1023 } },
  { as: 'pattern', beats: [0.25, 0.75], times: 3, pause: 2 },
  { as: 'pattern', beats: [0.25, 0.75], times: { counter: 'n1' }, pause: 2 },
  { as: 'pattern', beats: [0.25, 0.75] },
];

const touch: Happening = {
  ...{ id: 'h1', kind: 'crossing', name: 'Someone', intent: 'wanted', start: 1, params: {} },
  signs: [
    { by: 'part', part: 'P1' },
    { by: 'counter', counter: 'n1', step: 1 },
    { by: 'mode', machine: 'm1', mode: 'a' },
    { by: 'notice', notice: 't1' },
  ],
  within: 4,
  path: [
    { x: 2, y: 6 },
    { x: 2, y: 0 },
  ],
};

const aimed = (id: string, kind: string, target: Happening['target']): Happening => ({
  ...{ id, kind, name: id, intent: 'nuisance', start: 2, params: {}, target },
});

const flame: Happening = {
  ...{ id: 'h5', kind: 'flame', name: 'Flame', intent: 'nuisance', start: 2, params: {} },
  ...{ path: [{ x: 2, y: 2 }], z: 1 },
};

/** A design in which every field that a design file can hold is there. */
export function everything(): Design {
  const base = demo('slipway-beam');
  const [channel] = base.channels;
  const [output] = base.outputs;
  return {
    ...base,
    purpose: 'To try every field.',
    notes: 'Nothing else.',
    brief: {
      needs: [
        { id: 'n1', intent: 'wanted', kind: 'crossing', name: 'Someone', params: {} },
        { id: 'n2', intent: 'nuisance', kind: 'lamp-on', name: 'Lamp', params: {} },
      ],
      tells: 'the watch',
    },
    plan: {
      ...{
        width: 12,
        depth: 8,
        walls: [
          {
            ...{ from: { x: 1, y: 1 }, to: { x: 5, y: 1 }, material: 'wood', height: 2.5 },
            openings: [{ kind: 'door', along: 1, width: 0.9, bottom: 0, top: 2 }],
          },
        ],
        rooms: [
          {
            name: 'Store',
            outline: [
              { x: 1, y: 1 },
              { x: 5, y: 1 },
              { x: 5, y: 4 },
            ],
          },
        ],
        trees: [{ at: { x: 9, y: 2 }, radius: 1, height: 4 }],
        backdrop: { image: 'data:image/png;base64,AAAA', x: 0, y: 8, width: 12 },
      },
      ...{ entrances: [{ x: 2, y: 0 }], guarded: { x: 3, y: 3 } },
      spots: [{ name: 'Bed', at: { x: 4, y: 4 }, background: 35 }],
    },
    parts: [
      ...base.parts.map((p) =>
        p.place ? { ...p, place: { ...p.place, z: 1, tilt: 5, on: 'M9' } } : p,
      ),
      { id: 'M9', kind: 'servo', name: 'Turning servo', params: {} },
      { id: 'Z1', kind: 'recorded-sensor', name: 'Recorded', params: {}, recording: 'rec1' },
      { id: 'S9', kind: 'rotary-knob', name: 'Knob', params: {} },
    ],
    groups: [{ id: 'g1', name: 'Beam', parts: ['E1', 'R3'], collapsed: true }],
    controller: {
      ...base.controller,
      sleep: { every: 8, awake: 0.1, unless: yes },
      watchdog: 4,
      code: { top: 'int steps = 0;', start: 'steps = 1;', pass: 'steps++;', event: 'steps = 0;' },
    },
    channels: [
      {
        ...channel,
        id: 'c1',
        ...{ edge: 'low', remembers: true, powerUp: 0.005, stretch: 1, lockOut: 1, invert: true },
        filter: { by: 'mean', n: 4 },
        baseline: { kind: 'learnt', learn: 20, follow: 60, freeze: true, unit: 'counts' },
        missCost: 2,
      },
      { ...channel, id: 'c2', name: 'Other', baseline: { kind: 'fixed', counts: 10 } },
    ],
    outputs: [
      { ...output, id: 'o1', feeds: true, fade: { up: 1, down: 1, curve: 'eye' } },
      { ...output, id: 'o2', name: 'Second', pin: 'U1.D9' },
    ],
    counters: [
      { id: 'n1', name: 'Count', start: 0, least: 0, most: 9, wraps: true, kept: true },
      { id: 'n2', name: 'Other count', start: 0, least: 0, most: 9 },
    ],
    machines: [
      {
        ...{ id: 'm1', name: 'Guard', start: 'a', kept: true },
        modes: [
          { id: 'a', name: 'Off' },
          { id: 'b', name: 'On' },
        ],
        transitions: [
          {
            ...{ from: 'a', to: 'b', when: yes, after: 3 },
            then: [
              { do: 'count', counter: 'n1', by: 1 },
              { do: 'set', counter: 'n1', to: 2 },
              { do: 'play', sequence: 's1' },
              { do: 'stop', sequence: 's1' },
            ],
          },
          { to: 'a', when: yes },
        ],
      },
    ],
    rules: [
      {
        ...{ id: 'r1', when: every, while: yes, until: yes, hold: 1, latch: true },
        ...{ atLeast: 1, atMost: 9, lockOut: 2 },
        then: [
          { do: 'count', counter: 'n1', by: 1 },
          { do: 'set', counter: 'n1', to: 2 },
          { do: 'play', sequence: 's1' },
          { do: 'stop', sequence: 's1' },
          ...drives.map((drive) => ({ do: 'drive', output: 'o1', drive }) as const),
        ],
      },
      {
        ...base.rules[0],
        id: 'r2',
        when: yes,
        then: [{ do: 'drive', output: 'o2', drive: { as: 'on' } }],
      },
    ],
    sequences: [
      {
        ...{ id: 's1', name: 'Show', length: 20, times: 1 },
        lanes: [
          {
            output: 'o1',
            ambient: drives[0],
            blocks: [{ start: 1, length: 2, drive: drives[0] }],
          },
        ],
      },
    ],
    notices: [
      {
        ...{ id: 't1', name: 'Told', heartbeat: 60, gap: 5 },
        tells: { tell: 'condition', condition: yes },
      },
      { id: 't2', name: 'Counted', tells: { tell: 'counter', counter: 'n1' } },
      { id: 't3', name: 'Mode', tells: { tell: 'mode', machine: 'm1' } },
      { id: 't4', name: 'Read', tells: { tell: 'reading', channel: 'c1', by: 20 } },
    ],
    scenes: [
      {
        ...base.scenes[0],
        ambient: { temperature: 5 },
        modes: { m1: 'b' },
        starts: 'power-on',
        happenings: [
          touch,
          aimed('h2', 'sensor-covered', { part: 'B1' }),
          aimed('h3', 'knob-turned', { part: 'S9', param: 'angle' }),
          aimed('h4', 'wire-breaks', { wire: base.wires[0].id }),
          flame,
        ],
      },
      { ...base.scenes[0], id: 'other', name: 'Other' },
    ],
    recordings: [
      { id: 'rec1', name: 'Dusk', times: [0, 1], values: [1, 2] },
      { id: 'rec2', name: 'Dawn', times: [0, 1], values: [2, 1] },
    ],
    readings: [
      {
        ...{ id: 'set1', name: 'Quiet', channel: 'c1', intent: 'quiet', origin: 'typed' },
        ...{ taken: '2026-01-01T00:00:00Z', every: 0.1, counts: [10, 11, 12, 40, 11] },
        excluded: [{ at: 3, reason: 'A hand' }],
        conditions: {
          ...{ distance: 1, angle: 5, light: 10, temperature: 20, supply: 5, surface: 'wood' },
        },
        notes: 'Typed.',
      },
    ],
    accepted: [{ finding: 'x:y', severity: 'caution', reason: 'Why not.' }],
  };
}

/** Every kind of condition that is not in `every` itself. */
export const kindsLeftOut = (): string[] =>
  conditionKinds
    .map((kind) => kind.is)
    .filter((is) => is !== 'all' && !(every as { of: Condition[] }).of.some((c) => c.is === is));
