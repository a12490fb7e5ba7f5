import { kindOf } from '../catalog/index.js';
import { voltsAt } from '../circuit/index.js';
import type { Design, Scene } from '../design/index.js';
import { demo } from '../testing/demo.js';
import { quietScene, rehearse, Rig } from './index.js';

/** The surroundings of a design held at some values. */
const bench = (design: Design, ambient: Record<string, number>) => {
  const rig = new Rig(design);
  const scene: Scene = { ...quietScene, ambient };
  const solution = rig.settle(scene, 0, rig.restingLogic(scene));
  return { solution, counts: rig.readings.counts(solution) };
};
const reading = (design: Design, channel: string, ambient: Record<string, number>): number =>
  bench(design, ambient).counts.get(channel) ?? NaN;

/** Counts of a voltage with a 10-bit converter on 5 V. */
const counts = (volts: number, reference = 5): number => (1023 * volts) / reference;
const divider = (volts: number, top: number, bottom: number): number =>
  (volts * bottom) / (top + bottom);

/** Design, channel, surroundings, reading by hand, counts it may be off by. */
type Case = [
  family: string,
  design: string,
  channel: string,
  ambient: Record<string, number>,
  byHand: number,
  off: number,
];

// Photocurrent S·E·RL; E of daylight is lux · 170/110e3 · sin² of the cone's half-angle (closed form).
const flame = (lux: number): number =>
  counts(47e3 * (4e-4 * lux * (170 / 110e3) * Math.sin(Math.PI / 6) ** 2 + 20e-9));
// R = k/Fⁿ of the share of the load the film lies under, in a divider on 3.3 V; 12 bits on 3.1 V.
const seat = (newton: number): number => {
  const load = 0.02 * newton;
  const siemens = (load ** 0.9 / 30e3) * (1 - Math.exp(-load / 0.2)) + 1e-7;
  return Math.min(4095, (4095 * divider(3.3, 1 / siemens, 22e3)) / 3.1);
};
// Rs = R0·18.9·ppm^−0.45, in clean air 9.8·R0, above its load of 10 kΩ; at 20 °C and 65 % it needs no correction.
const vapour = (ppm: number): number => {
  const rs = 10e3 * (ppm > 0 ? 18.9 * ppm ** -0.45 : 9.8);
  return counts(divider(5, rs, 10e3));
};
const dry = { temperature: 20, humidity: 65 };
const ear = (pascal: number): number => counts(Math.SQRT2 * pascal * 6.3e-3 * 100);
// A film σ·l·h/w over the wet share, under a pull-up of 10 kΩ fed from a pin of 25 Ω.
const pad = (wet: number): number => {
  const ohms = 1 / (1 / 20e6 + (5e-3 * 1.2 * 0.3e-3 * wet) / 1e-3);
  return counts(divider(5, 10e3, ohms));
};
const depth = (metres: number): number => counts(5 * (0.1 + (0.8 * 9806.65 * metres) / 10e3));

const cases: Case[] = [
  ['light', 'varnish-bench-fire', 'east', { daylight: 5 }, flame(5), 1],
  ['light', 'varnish-bench-fire', 'east', { daylight: 100 }, flame(100), 2],
  ['light', 'varnish-bench-fire', 'east', { daylight: 500 }, flame(500), 5],
  ['motion', 'sail-loft-motion', 'motion', { heat: 0.1 }, 0, 0],
  ['motion', 'sail-loft-motion', 'motion', { heat: 0.24 }, 0, 0],
  ['motion', 'sail-loft-motion', 'motion', { heat: 0.26 }, 100, 0],
  ['touch', 'chart-room-touch', 'touch', { touch: 1e-12 }, 0, 0],
  ['touch', 'chart-room-touch', 'touch', { touch: 2.5e-12 }, 100, 0],
  ['touch', 'chart-room-touch', 'touch', { touch: 15e-12 }, 100, 0],
  ['force', 'chart-room-touch', 'seat', { force: 40 }, seat(40), 12],
  ['force', 'chart-room-touch', 'seat', { force: 200 }, seat(200), 12],
  ['force', 'chart-room-touch', 'seat', { force: 700 }, seat(700), 12],
  ['magnet', 'mooring-boom', 'hinge', { field: 0 }, counts(2.5), 2],
  ['magnet', 'mooring-boom', 'hinge', { field: 0.05 }, counts(2.5 + 14 * 0.05), 2],
  ['magnet', 'mooring-boom', 'hinge', { field: -0.1 }, counts(2.5 - 14 * 0.1), 2],
  ['heading', 'mooring-boom', 'turned', { heading: 0 }, 1800, 0],
  ['heading', 'mooring-boom', 'turned', { heading: 30 }, 2100, 0],
  ['heading', 'mooring-boom', 'turned', { heading: -45 }, 1350, 0],
  ['loops', 'mooring-boom', 'open', { gap: 0 }, counts(divider(5, 2200, 2200)), 2],
  ['loops', 'mooring-boom', 'open', { gap: 0.01 }, counts(divider(5, 2200, 2200)), 2],
  ['loops', 'mooring-boom', 'open', { gap: 0.02 }, counts(divider(5, 2200, 6900)), 2],
  ['gas', 'fuel-locker-vapour', 'vapour', dry, vapour(0), 4],
  ['gas', 'fuel-locker-vapour', 'vapour', { ...dry, propane: 500 }, vapour(500), 4],
  ['gas', 'fuel-locker-vapour', 'vapour', { ...dry, propane: 3000 }, vapour(3000), 4],
  ['heat', 'fuel-locker-vapour', 'hot', { temperature: 0 }, counts(0.5), 1],
  ['heat', 'fuel-locker-vapour', 'hot', { temperature: 25 }, counts(0.75), 1],
  ['heat', 'fuel-locker-vapour', 'hot', { temperature: 45 }, counts(0.95), 1],
  ['sound', 'workshop-break-in', 'loud', { sound: 0.1 }, ear(0.1), 5],
  ['sound', 'workshop-break-in', 'loud', { sound: 1 }, ear(1), 5],
  ['sound', 'workshop-break-in', 'loud', { sound: 3 }, ear(3), 5],
  ['vibration', 'workshop-break-in', 'blow', { vibration: 0 }, 100, 0],
  ['vibration', 'workshop-break-in', 'blow', { vibration: 1.4 }, 100, 0],
  ['vibration', 'workshop-break-in', 'blow', { vibration: 1.6 }, 0, 0],
  ['rain', 'skylight-rain', 'wet', { wet: 0 }, pad(0), 8],
  ['rain', 'skylight-rain', 'wet', { wet: 0.05 }, pad(0.05), 8],
  ['rain', 'skylight-rain', 'wet', { wet: 0.5 }, pad(0.5), 8],
  ['liquid', 'skylight-rain', 'deep', { water: 0.1 }, depth(0.1), 2],
  ['liquid', 'skylight-rain', 'deep', { water: 0.3 }, depth(0.3), 2],
  ['liquid', 'skylight-rain', 'deep', { water: 0.6 }, depth(0.6), 2],
  ['float', 'skylight-rain', 'full', { water: 0.3 }, 100, 0],
  ['float', 'skylight-rain', 'full', { water: 0.505 }, 100, 0],
  ['float', 'skylight-rain', 'full', { water: 0.52 }, 0, 0],
];

describe('each family of sensors in its demo, against values worked by hand', () => {
  it.each(cases)('%s: %s, %s with %j', (_, name, channel, ambient, byHand, off) => {
    expect(Math.abs(reading(demo(name), channel, ambient) - byHand)).toBeLessThanOrEqual(off);
  });

  it('stand-ins: a knob against a trimmed reference, loaded by its 32 kΩ', () => {
    const design = demo('bench-test-jig');
    // 10 kΩ at 0.6: 4 kΩ above, 6 kΩ beside 32 kΩ below.
    const reference = divider(5, 4002, 1 / (1 / 6002 + 1 / 32e3));
    for (const turn of [0.1, 0.3, 0.5]) {
      const set = design.parts.map((p) => (p.id === 'R1' ? { ...p, params: { turn } } : p));
      const byHand = counts(5 * turn, reference);
      expect(Math.abs(reading({ ...design, parts: set }, 'knob', {}) - byHand)).toBeLessThan(3);
    }
  });

  it.each([0.05, 0.15, 0.3])(
    'probe rods in the sump at %d m: two cylinders in a divider',
    (water) => {
      const design = demo('bilge-sump');
      const ohms = Math.acosh(0.02 / 0.003) / (Math.PI * 0.005 * water);
      const feed = design.parts.find((p) => p.id === 'R1')?.params['ohms'] ?? NaN;
      const { solution } = bench(design, { water });
      const supply = voltsAt(solution, 'R1.a') ?? NaN;
      expect(voltsAt(solution, 'R1.b')).toBeCloseTo(divider(supply, feed, ohms), 2);
    },
  );
});

describe('every demo', () => {
  const demos = [
    'bench-test-jig',
    'bilge-sump',
    'chart-room-touch',
    'fuel-locker-loop',
    'fuel-locker-vapour',
    'mooring-boom',
    'sail-loft-motion',
    'skylight-rain',
    'slipway-beam',
    'steps-lamp-at-dusk',
    'varnish-bench-fire',
    'workshop-break-in',
  ];
  it.each(demos)(
    '%s notices what it must and stays quiet about the rest',
    (name) => {
      const design = demo(name);
      for (const scene of design.scenes) {
        // What a pump does to its water is followed in time alone.
        const path = scene.ambient['tank'] ? 'time' : 'fast';
        const { verdicts, spurious } = rehearse(design, scene, undefined, path);
        const wrong = verdicts.filter(
          (v) => v.outcome === 'missed' || v.outcome === 'fired falsely',
        );
        expect(wrong).toEqual([]);
        expect(spurious).toEqual([]);
        expect(verdicts.some((v) => v.intent === 'wanted')).toBe(true);
      }
    },
    60_000,
  );
  it('families of sensors are all there', () => {
    const stimulus = new Set(
      demos.flatMap((name) => demo(name).parts.flatMap((p) => kindOf(p).senses?.quantities ?? [])),
    );
    for (const quantity of [
      'light',
      'infrared',
      'heat',
      'touch',
      'force',
      'field',
      'heading',
      'propane',
      'temperature',
      'sound',
      'vibration',
      'wet',
      'water',
      'gap',
      'recorded',
    ] as const)
      expect([...stimulus]).toContain(quantity);
  });
});

describe('what a reading is made of', () => {
  it('a gas element in clean air is not noisier than half a per cent of its resistance', () => {
    const rig = new Rig(demo('fuel-locker-vapour'));
    const scene = { ...quietScene, ambient: { temperature: 20, humidity: 65 } };
    const solution = rig.settle(scene, 0, rig.restingLogic(scene));
    const sigma = rig.readings.noise(solution).get('vapour')?.sigma ?? NaN;
    expect(sigma).toBeGreaterThan(0.1);
    expect(sigma).toBeLessThan(1);
  });

  it('sensor noise reaches the reading through the slope of the circuit', () => {
    const design = demo('mooring-boom');
    const rig = new Rig(design);
    const solution = rig.settle(quietScene, 0, rig.restingLogic(quietScene));
    // 0.1 mT through 14 V/T on 5 V and 10 bits.
    expect(rig.readings.noise(solution).get('hinge')?.sigma).toBeCloseTo(counts(14 * 0.1e-3), 1);
    // A compass of half a degree, in tenths of a degree.
    expect(rig.readings.noise(solution).get('turned')?.sigma).toBeCloseTo(5, 1);
    expect(rig.readings.noise(solution).get('open')?.sigma ?? 0).toBe(0);
  });
  it('is put back afterwards: looking at the noise changes nothing', () => {
    const design = demo('steps-lamp-at-dusk');
    const rig = new Rig(design);
    const before = rig.settle(quietScene, 0, rig.restingLogic(quietScene));
    rig.readings.noise(before);
    expect(rig.settle(quietScene, 0, rig.restingLogic(quietScene))).toBe(before);
  });
  it('a bus chip without pull-ups, or without supply, gives none', () => {
    const design = demo('mooring-boom');
    const without = (part: string): Design => ({
      ...design,
      wires: design.wires.filter((w) => !w.from.startsWith(part) && !w.to.startsWith(part)),
    });
    expect(reading(without('R3.'), 'turned', {})).toBeNaN();
    expect(reading(without('Z1.'), 'turned', {})).toBeNaN();
  });
  it('warm air warms every part: copper and junctions follow the scene', () => {
    const amps = (temperature: number): number =>
      -(bench(demo('slipway-beam'), { temperature }).solution.parts['E1'].amps['k'] ?? NaN);
    // The diode of the beam lamp drops less when it is warm.
    expect(amps(60)).toBeGreaterThan(1.005 * amps(0));
  });
});
