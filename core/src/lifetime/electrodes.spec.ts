import { kindOf, paramsOf } from '../catalog/index.js';
import type { Design, Scene } from '../design/index.js';
import { fiveQuestions, gatherEvidence } from '../check/index.js';
import { rehearse } from '../rehearsal/index.js';
import { brief, channel, onBoard, output, pins } from '../testing/small.js';
import { electrodeLives } from './index.js';

const wet: Scene = {
  ...{ id: 's', name: 'Wet', seed: 1, duration: 600, happenings: [] },
  ambient: { water: 0.1 },
};
const day = 86_400;
const lifeOf = (design: Design, scene: Scene, times = 1) => {
  const run = rehearse(design, scene, undefined, 'time');
  return electrodeLives(design, scene, run, times)[0];
};
/** Rods at 12 V of an adapter, in line with a resistor so large that the water hardly matters. */
const fed = (ohms: number): Design =>
  brief(
    `adapter G, probe-rods B conductivity=10, resistor R ohms=${ohms}`,
    'G.plus B.a, B.b R.a, R.b G.minus',
  );
/** Two parallel rods, π·σ·l/acosh(s/d), beside 20 MΩ. */
const water = Math.acosh(0.02 / 0.003) / (Math.PI * 10 * 0.1);

it('a rod of iron is eaten by what Faraday’s law says of its mass', () => {
  const rods = { kind: 'probe-rods', params: {}, id: 'B', name: 'B' };
  // Three quarters of 50 mm of 3 mm: 2.087 g; 2·96485 C take 55.845 g.
  const grams = 0.75 * (Math.PI / 4) * 0.3 ** 2 * 5 * 7.874;
  const charge = kindOf(rods).electrodes?.coulombs(paramsOf(rods));
  expect(charge).toBeCloseTo((2 * 96485.33 * grams) / 55.845, 0);
});

it('always fed, all day counts alike, whatever share of it is a scene', () => {
  const amps = 12 / (12_000 + water + 0.1);
  for (const times of [0, 1, 50, 1000]) {
    const life = lifeOf(fed(12e3), wet, times);
    expect(life.aDay / (amps * day)).toBeCloseTo(1, 3);
    expect(life.lasts / day).toBeCloseTo(life.bear / (amps * day), 1);
  }
});

it('half the current lasts twice as long; none lasts for ever', () => {
  const [one, half] = [12e3, 24e3].map((ohms) => lifeOf(fed(ohms), wet).lasts);
  expect(half / one).toBeCloseTo(2, 2);
  const cut = { ...fed(12e3), wires: fed(12e3).wires.slice(1) };
  expect(lifeOf(cut, wet).lasts).toBe(Infinity);
});

it('fed by a pin that is on for a share of the time, by that share of the scene and not at rest', () => {
  const drive = { as: 'level', level: 0.25 } as const;
  const one = output('U.D9');
  const design = onBoard(
    'probe-rods B conductivity=10, resistor R ohms=5000, push-button S',
    'U.D9 B.a, B.b R.a, R.b U.GND, S.a U.D2, S.b U.GND',
    {
      ...one,
      ...channel('U.D2', { trips: 'below', threshold: 50, hysteresis: 1 }),
      ...pins('U.D9 output pwm', 'U.D2 pull-up'),
      rules: one.rules.map((r) => ({
        ...r,
        when: { is: 'channel' as const, channel: 'c1' },
        then: [{ do: 'drive' as const, output: 'o1', drive }],
      })),
    },
  );
  // Without a press the pin is low; its share of time would be a quarter of 5 V over 5 kΩ, 25 Ω and the water.
  expect(lifeOf(design, wet).lasts).toBeGreaterThan(1e10);
  const pressed = { ...wet, ambient: { ...wet.ambient, force: 5 } };
  const life = lifeOf(design, pressed, 10);
  const amps = (0.25 * 5) / (5025 + water);
  expect(life.aDay / (amps * day)).toBeCloseTo(1, 1);
});

const askedOf = (design: Design, path: 'fast' | 'time') =>
  fiveQuestions(gatherEvidence(design, wet), [], rehearse(design, wet, undefined, path))[3];

it('says that it is not known before it was followed in time', () => {
  const design = { ...fed(12e3), scenes: [wet] };
  expect(askedOf(design, 'fast')).toMatchObject({
    state: 'unknown',
    detail: 'electrodes not followed in time yet',
  });
  expect(askedOf(design, 'time').detail).toBe('electrodes of B, one such scene a day');
});

// 2.00 A·h at 1 mA are 83 days, at 0.1 mA 2.3 years; below a year they do not last.
it.each([
  [12e3, 'caution', '83 days'],
  [120e3, 'fine', '2 years'],
] as const)('with %d Ω in line the answer is a %s, %s', (ohms, state, value) => {
  expect(askedOf({ ...fed(ohms), scenes: [wet] }, 'time')).toMatchObject({ state, value });
});

it('the pad of a module is eaten by what comes through its load resistor', () => {
  const fed = brief('adapter G volts=5, rain-module B', 'G.plus B.VCC, G.minus B.GND');
  const rain: Scene = { ...wet, ambient: { wet: 1 } };
  // σ·l·d/w = 5e-3 · 1.2 m · 0.3 mm / 1 mm = 1.8 mS, in line with 10 kΩ.
  const amps = 5 / (10e3 + 1 / 1.8e-3);
  const life = lifeOf(fed, rain);
  expect(life.aDay / (amps * day)).toBeCloseTo(1, 2);
  // Half of 1.2 m by 1 mm by 35 µm of copper: 188 mg; 2·96485 C take 63.546 g.
  const grams = 0.6 * 1e-3 * 35e-6 * 8.96e6;
  expect(life.bear / ((2 * 96485.33 * grams) / 63.546)).toBeCloseTo(1, 4);
  expect(lifeOf(fed, { ...wet, ambient: { wet: 0 } }).aDay).toBeLessThan(1e-3 * life.aDay);
  // What leaves at AO does not go through the pad: 10 kΩ over 556 Ω beside 10 kΩ.
  const loaded = brief(
    'adapter G volts=5, rain-module B, resistor R ohms=10000',
    'G.plus B.VCC, G.minus B.GND, B.AO R.a, R.b G.minus',
  );
  const pad = 1 / 1.8e-3;
  const both = 1 / (1 / pad + 1 / 10e3);
  const through = (5 * both) / (10e3 + both) / pad;
  expect(lifeOf(loaded, rain).aDay / (through * day)).toBeCloseTo(1, 2);
});
