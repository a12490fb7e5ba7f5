/** By what it is told that something was noticed, where a happening does not say. */
import type { Design, Rule } from '../design/index.js';
import { channel, onBoard, placed, sceneOf } from '../testing/small.js';
import { explain, rehearse, usualSigns } from './index.js';

const touch = 'touch-module B, ';
const touched = 'U.5V B.VCC, B.GND U.GND, B.OUT U.A0, ';
const horn = 'npn-transistor Q, resistor R ohms=1000, sounder-12v H, adapter P volts=12, ';
const hornOn = 'U.D8 R.a, R.b Q.b, Q.e U.GND, H.minus Q.c, P.minus U.GND, ';
const hornFed = 'P.plus H.plus, ';
const lamp = 'led L, resistor S ohms=330';
const lampOn = 'U.D7 S.a, S.b L.a, L.k U.GND';

/** A touch that a lamp shows, and sounds a horn: the outputs of one rule, or of a rule each. */
function alarm(wires: string, rules: readonly (readonly string[])[]): Design {
  const drive = (output: string) => ({ do: 'drive', output, drive: { as: 'on' } }) as const;
  const found = rules.map((outputs, i): Rule => ({
    ...{ id: `r${i}`, when: { is: 'channel', channel: 'c1' }, hold: 2, latch: false },
    then: outputs.map(drive),
  }));
  const { channels, controller } = channel('U.A0');
  const pins = ['U.D7', 'U.D8'].map((pin) => ({ pin, mode: 'output' as const }));
  return placed(
    onBoard(touch + horn + lamp, touched + wires, {
      channels,
      controller: { pins: [...controller.pins, ...pins] },
      outputs: [
        { id: 'horn', name: 'Horn', pin: 'U.D8', active: 'high' },
        { id: 'lamp', name: 'Lamp', pin: 'U.D7', active: 'high' },
      ],
      rules: found,
    }),
  );
}

const outcome = (design: Design): string =>
  rehearse(design, sceneOf(6, { start: 3, params: { lasts: 1 } })).verdicts[0].outcome;
const signs = (design: Design): string[] =>
  usualSigns(design).map((s) => (s.by === 'part' ? s.part : s.by));

describe.each([
  ['of the same rule', [['horn', 'lamp']]],
  ['of a rule that asks for the same', [['horn'], ['lamp']]],
])('a lamp %s as a horn', (_, rules) => {
  it('tells nothing: with the horn fed it is noticed, without its plus it is not', () => {
    expect(outcome(alarm(hornOn + hornFed + lampOn, rules))).toBe('noticed');
    expect(outcome(alarm(hornOn + lampOn, rules))).toBe('missed');
    expect(signs(alarm(hornOn + lampOn, rules))).toEqual(['H']);
  });
});

it('a lamp of a rule of its own is told by, though a horn answers to something else', () => {
  const rules = [['horn'], ['lamp']];
  const design = alarm(hornOn + lampOn, rules);
  const [first, second] = design.rules;
  const other = { ...design.channels[0], id: 'c2', name: 'Other' };
  const apart: Design = {
    ...design,
    channels: [...design.channels, other],
    rules: [{ ...first, when: { is: 'channel', channel: 'c2' } }, second],
  };
  expect(signs(apart)).toEqual(['H', 'L']);
});

const relay = 'relay-12v K, adapter P volts=12, npn-transistor Q, resistor R ohms=1000, ';
const relayOn = 'U.D8 R.a, R.b Q.b, Q.e U.GND, K.minus Q.c, P.plus K.plus, P.minus U.GND, ';

it.each([
  ['nothing behind its contacts', '', '', ['K']],
  [
    'a horn behind its contacts',
    'sounder-12v H',
    'P.plus K.com, K.no H.plus, H.minus P.minus',
    ['H'],
  ],
  ['a horn elsewhere', 'sounder-12v H', 'P.plus H.plus, H.minus P.minus, K.com P.plus', ['K', 'H']],
])('a relay with %s', (_, parts, wires, told) => {
  expect(signs(onBoard(relay + parts, relayOn + wires)).sort()).toEqual([...told].sort());
});

it('without anything that acts, notices tell', () => {
  const heard = onBoard(touch, touched, {
    ...channel('U.A0'),
    notices: [
      {
        ...{ id: 'n1', name: 'Touched' },
        tells: { tell: 'condition', condition: { is: 'channel', channel: 'c1' } },
      },
    ],
  });
  expect(usualSigns(heard)).toEqual([{ by: 'notice', notice: 'n1' }]);
  expect(outcome(placed(heard))).toBe('noticed');
});

it('a nuisance that no sensor feels is not tried', () => {
  const design = alarm(hornOn + hornFed + lampOn, [['horn', 'lamp']]);
  const far = [{ x: 50, y: 50 }];
  const { verdicts } = rehearse(
    design,
    sceneOf(
      8,
      { intent: 'nuisance', kind: 'clap', start: 1 },
      { intent: 'nuisance', path: far, start: 3 },
      { intent: 'nuisance', kind: 'supply-dips', params: { left: 0.9, lasts: 0.3 }, start: 5 },
    ),
  );
  expect(verdicts.map((v) => v.outcome)).toEqual(['not tried', 'not tried', 'quiet']);
});

it('why nothing told of it is asked of what would tell, not of a lamp that was lit all the same', () => {
  const design = alarm(hornOn + hornFed + lampOn, [['horn'], ['lamp']]);
  const [first, second] = design.rules;
  const armed: Design = {
    ...design,
    counters: [{ id: 'n1', name: 'Armed', start: 0, least: 0, most: 1 }],
    rules: [
      { ...first, while: { is: 'count', counter: 'n1', compare: 'at least', value: 1 } },
      second,
    ],
  };
  const scene = sceneOf(6, { start: 3, params: { lasts: 1 } });
  const rehearsal = rehearse(armed, scene);
  expect(rehearsal.verdicts[0].outcome).toBe('missed');
  const why = explain(armed, scene, rehearsal, 'h0');
  expect(why?.place).toBe('condition');
  expect(why?.text).toContain('Armed');
});

it('and says so where nothing in the design could tell', () => {
  const mute = placed(onBoard(touch, touched, channel('U.A0')));
  const scene = sceneOf(6, { start: 3, params: { lasts: 1 } });
  const why = explain(mute, scene, rehearse(mute, scene), 'h0');
  expect(why?.text).toMatch(/Nothing in the design tells/);
});

it('a notice that follows a reading is none that tells', () => {
  const logged = onBoard(touch, touched, {
    ...channel('U.A0'),
    notices: [{ id: 'n1', name: 'Level', tells: { tell: 'reading', channel: 'c1', by: 5 } }],
  });
  expect(usualSigns(logged)).toEqual([]);
});
