import fc from 'fast-check';
import type { Happening, Scene } from '../design/index.js';
import { slipwayBeam } from '../testing/demo.js';
import {
  angleBetween,
  angularResponse,
  checkScenes,
  stimulusOn,
  happeningSpan,
  momentIn,
  setStage,
  shadedShare,
  skyShare,
  ambientParams,
  profiles,
} from './index.js';

const scene = (happenings: Happening[], daylight = 0): Scene => ({
  id: 's',
  name: 's',
  seed: 1,
  duration: 60,
  ambient: { daylight },
  happenings,
});

/** Only the emitter's current matters to what is felt. */
const lit = (amps: number) => () => ({ volts: {}, amps: { a: amps }, watts: 0 });

/** What the beam receiver feels with the emitter at a distance and a current. */
function stimulus(
  distance: number,
  amps: number,
  happenings: Happening[] = [],
  t = 0,
  daylight = 0,
): number {
  const design = slipwayBeam();
  design.plan = { ...design.plan, walls: [] };
  design.parts = design.parts.map((p) =>
    p.id === 'B1' ? { ...p, place: { x: distance, y: 3, facing: 180 } } : p,
  );
  const stage = setStage(design);
  return stimulusOn(stage, stage.sensors[0], momentIn(scene(happenings, daylight), t), lit(amps));
}

/** Someone half a metre wide who walks north at 1 m/s, this far east. */
const walkerAt = (x: number): Happening => ({
  id: 'h',
  kind: 'crossing',
  name: 'h',
  intent: 'wanted',
  start: 0,
  params: { speed: 1, width: 0.5 },
  path: [
    { x, y: 0 },
    { x, y: 6 },
  ],
});

it('a beam at 0.8 m goes over a cat and is broken by a person; one whose height is not told is broken by both', () => {
  const open = slipwayBeam();
  open.plan = { ...open.plan, walls: [] };
  const feels = (kind: string, z?: number): number => {
    const parts = open.parts.map((p) =>
      p.place && z !== undefined ? { ...p, place: { ...p.place, z } } : p,
    );
    const stage = setStage({ ...open, parts });
    // In the middle of the beam, half-way along it.
    const who: Happening = { ...walkerAt(2), kind, params: { speed: 1 } };
    return stimulusOn(stage, stage.sensors[0], momentIn(scene([who], 0), 3), lit(0.05));
  };
  const clear = feels('clap', 0.8);
  expect(feels('pet', 0.8)).toBeCloseTo(clear, 9);
  expect(feels('person-walks', 0.8)).toBeLessThan(clear / 2);
  expect(feels('pet')).toBeLessThan(clear / 2);
});

it('a branch is in a beam at the height at which it hangs, and above or below it is not', () => {
  const open = slipwayBeam();
  const parts = open.parts.map((p) => (p.place ? { ...p, place: { ...p.place, z: 0.8 } } : p));
  const stage = setStage({ ...open, parts });
  const feels = (z: number): number => {
    const hangs: Happening = {
      ...{ id: 'h', kind: 'branch-sways', name: 'h', intent: 'nuisance', start: 0, z },
      ...{ params: { height: 0.5 }, path: [{ x: 2, y: 3 }] },
    };
    return stimulusOn(stage, stage.sensors[0], momentIn(scene([hangs], 0), 1e-6), lit(0.05));
  };
  expect(feels(0)).toBeCloseTo(feels(1), 9);
  expect(feels(0.5)).toBeLessThan(feels(0) / 2);
});

describe('angles', () => {
  it.each([5, 20, 60])(
    'response of a %d° half-angle: 1 on the axis, ½ at the half-angle, 0 behind',
    (half) => {
      expect(angularResponse(0, half)).toBe(1);
      expect(angularResponse(half, half)).toBeCloseTo(0.5, 12);
      expect(angularResponse(120, half)).toBe(0);
    },
  );
  it.each([
    [10, 350, 20],
    [0, 180, 180],
    [-90, 270, 0],
    [45, 90, 45],
  ])('between %d° and %d° lie %d°', (a, b, angle) => {
    expect(angleBetween(a, b)).toBe(angle);
  });
  it('a cone’s share of an even sky is sin² of its half-angle: numerical integral of cos θ sin θ', () => {
    for (const half of [5, 30, 60, 85]) {
      const end = (half * Math.PI) / 180;
      let sum = 0;
      for (let i = 0; i < 20000; i++) {
        const theta = ((i + 0.5) / 20000) * end;
        sum += Math.cos(theta) * Math.sin(theta) * (end / 20000);
      }
      expect(skyShare(half)).toBeCloseTo(2 * sum, 6);
    }
  });
});

describe('beam', () => {
  it('follows I/d² on the axis, times the lens: 60 W/sr/A · 50 mA · 20 / d²', () => {
    for (const d of [1, 2, 4, 7])
      expect(stimulus(d, 0.05)).toBeCloseTo((60 * 0.05 * 20) / d ** 2, 9);
  });
  it('falls with distance and rises with current', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 50, noNaN: true }),
        fc.double({ min: 1e-4, max: 0.1, noNaN: true }),
        (d, amps) => {
          expect(stimulus(d, amps)).toBeGreaterThan(stimulus(d * 1.01, amps));
          expect(stimulus(d, amps)).toBeLessThan(stimulus(d, amps * 1.01));
        },
      ),
    );
  });
});

describe('shadow', () => {
  it('covers the share of a disc that area counting on a grid finds', () => {
    const cases: [number, number, number][] = [
      [0, 1, 0.5],
      [0.9, 1, 0.5],
      [1.2, 1, 0.5],
      [2, 1, 0.5],
      [0.1, 0.1, 0.5],
    ];
    for (const [offset, body, beam] of cases) {
      let [inside, shaded] = [0, 0];
      for (let i = -200; i <= 200; i++) {
        for (let j = -200; j <= 200; j++) {
          const [x, y] = [(i / 200) * beam, (j / 200) * beam];
          if (x * x + y * y > beam * beam) continue;
          inside += 1;
          if (Math.abs(x + offset) <= body) shaded += 1;
        }
      }
      expect(shadedShare(offset, body, beam)).toBeCloseTo(shaded / inside, 1.6);
    }
  });

  it('of a walker lasts width over speed at half strength', () => {
    const walker = walkerAt(2);
    const clear = stimulus(4, 0.05);
    let dark = 0;
    for (let t = 0; t < 6; t += 0.001)
      if (stimulus(4, 0.05, [walker], t) < clear / 2) dark += 0.001;
    expect(dark).toBeCloseTo(0.5, 2);
    expect(happeningSpan(walker)).toEqual({ start: 0, end: 6 });
  });

  it('falls only on what stands behind it', () => {
    const passer = walkerAt(5);
    expect(stimulus(4, 0.05, [passer], 3)).toBe(stimulus(4, 0.05));
  });
});

it('low sun swells to its peak in the middle and comes through the cone', () => {
  const sun: Happening = {
    id: 'h',
    kind: 'low-sun',
    name: 'h',
    intent: 'nuisance',
    start: 10,
    params: { azimuth: 180, irradiance: 40, lasts: 8 },
  };
  const [before, peak] = [stimulus(4, 0, [sun], 9), stimulus(4, 0, [sun], 14)];
  expect(peak - before).toBeCloseTo(40 * 20, 9);
  expect(stimulus(4, 0, [{ ...sun, params: { ...sun.params, azimuth: 0 } }], 14)).toBe(before);
});

describe('checkScenes', () => {
  const base = { ...walkerAt(0), params: {}, start: 1 };
  const cases: [string, Partial<Happening>, RegExp][] = [
    ['an unknown kind', { kind: 'earthquake' }, /no happening "earthquake"/],
    ['an impossible speed', { params: { speed: -1 } }, /Speed.*outside the possible/],
    ['an unknown parameter', { params: { colour: 1 } }, /no parameter "colour"/],
    ['a way without an end', { path: [{ x: 1, y: 1 }] }, /needs a way/],
    [
      'a way that leaves the plan',
      {
        path: [
          { x: 1, y: 1 },
          { x: 9, y: 1 },
        ],
      },
      /9, 1 m lies outside the plan/,
    ],
    [
      'a negative concentration',
      { kind: 'gas-released', params: { rate: -1 } },
      /Leak.*outside the possible/,
    ],
    ['a start after the end', { start: 100 }, /after the scene has ended/],
    ['water without a tank', { kind: 'water-runs-in' }, /has no tank/],
    ['a wire that is not there', { kind: 'wire-breaks', target: { wire: 'none' } }, /no wire/],
    ['a part that is not there', { kind: 'part-comes-off', target: { part: 'Z9' } }, /no part/],
    [
      'a value that is not there',
      { kind: 'knob-turned', target: { part: 'R1', param: 'colour' } },
      /no value of Load resistor/,
    ],
    [
      'what a value cannot be',
      { kind: 'knob-turned', target: { part: 'R1', param: 'ohms' }, params: { to: -5 } },
      /Resistance of Load resistor cannot be -5/,
    ],
  ];
  const mendable = /is named|has no tank|cannot be -5/;
  it.each(cases)('names %s and its place', (_, change, reason) => {
    const problems = checkScenes({ ...slipwayBeam(), scenes: [scene([{ ...base, ...change }])] });
    expect(problems[0].reason).toMatch(reason);
    expect(problems[0].place).toMatch(/^scenes\[0\] \(s\)\.happenings\[0\] \(h\)/);
    // What is aimed at nothing, or has no tank, does nothing: the design can be used all the same.
    expect(problems[0].severity).toBe(mendable.test(problems[0].reason) ? 'doubt' : 'refuse');
  });
});

it.each(profiles.map((profile) => [profile.label, profile] as const))(
  'surroundings of “%s” are possible',
  (_, { ambient, source }) => {
    expect(source.length).toBeGreaterThan(5);
    for (const [id, value] of Object.entries(ambient)) {
      const param = ambientParams.find((p) => p.id === id);
      expect(value).toBeGreaterThanOrEqual(param?.min ?? Infinity);
      expect(value).toBeLessThanOrEqual(param?.max ?? -Infinity);
    }
  },
);
