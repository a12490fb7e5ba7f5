import fc from 'fast-check';
import type { Quantity } from '../catalog/index.js';
import { emptyDesign, type Happening, type Plan, type Scene } from '../design/index.js';
import { levelOf, pressureAt } from '../quantity/index.js';
import { stimulusOfBody } from './body/stimulus-of-body.js';
import { plainBody, skinInHeat, type Body } from './body/body.js';
import {
  alongPath,
  ambientParams,
  clearSky,
  discMagnetField,
  findHappeningKind,
  happeningKinds,
  happeningSpan,
  momentIn,
  pathLength,
  reflection,
  roomConcentration,
  searchHappenings,
  sunElevation,
  temperatureAt,
  throughClouds,
  ambientOf,
} from './index.js';
import { daylightAt, lampAt } from './ambient.js';
import type { Receiver } from './happening-kind.js';
import { momentOf } from './happenings.js';

const open: Plan = { width: 20, depth: 20, walls: [] };
const receiver = (quantity: Quantity, more: Partial<Receiver> = {}): Receiver => ({
  quantity,
  place: { x: 10, y: 10, facing: 90 },
  radius: 0.01,
  recording: { id: 'r', name: 'r', times: [0, 1], values: [0, 2] },
  ...more,
});
/** What a receiver that looks north at 10, 10 is given by a happening, `t` s after its start. */
function given(
  kind: string,
  quantity: Quantity,
  t: number,
  params: Record<string, number> = {},
  path = [{ x: 10, y: 12 }],
  more: Partial<Receiver> = {},
): number {
  const happening: Happening = {
    id: 'h',
    kind,
    name: 'h',
    intent: 'wanted',
    start: 0,
    params,
    path,
  };
  const found = findHappeningKind(kind);
  const moment = momentOf(happening, t);
  return found?.contributes?.[quantity]?.(moment, receiver(quantity, more)) ?? 0;
}

describe('closed forms', () => {
  // B = Br/2·[(D+z)/√(R²+(D+z)²) − z/√(R²+z²)], worked by hand for R = 5 mm, D = 5 mm, Br = 1.2 T.
  it.each([
    [0, 0.6 * (5 / Math.sqrt(50))],
    [0.005, 0.6 * (10 / Math.sqrt(125) - 5 / Math.sqrt(50))],
    [0.02, 0.6 * (25 / Math.sqrt(650) - 20 / Math.sqrt(425))],
  ])('field of a disc magnet %d m from its face', (z, tesla) => {
    expect(discMagnetField(1.2, 0.005, 0.005, z)).toBeCloseTo(tesla, 12);
  });
  it('far away the disc magnet is a dipole, μ0·m/(2π·z³) with μ0·m = Br·πR²·D', () => {
    const far = 1;
    const dipole = (1.2 * Math.PI * 0.005 ** 2 * 0.005) / (2 * Math.PI * (far + 0.0025) ** 3);
    expect(discMagnetField(1.2, 0.005, 0.005, far) / dipole).toBeCloseTo(1, 3);
  });
  it('room gas follows V·dc/dt = s − λ·V·c, integrated numerically (explicit Euler, 0.1 s)', () => {
    const [rate, volume, changes, released] = [1e-5, 30, 1 / 3600, 600];
    let c = 0;
    for (let i = 0; i < 18_000; i++) {
      c += 0.1 * ((i * 0.1 < released ? rate / volume : 0) - changes * c);
    }
    expect(roomConcentration(1800, released, rate, volume, changes) / c).toBeCloseTo(1, 3);
    expect(roomConcentration(600, 1e9, rate, volume, 0)).toBeCloseTo((rate * 600) / volume, 12);
  });
  it('sound: 94 dB are 1 Pa (IEC 61672-1) and a doubled distance takes 6.02 dB', () => {
    expect(levelOf(1)).toBeCloseTo(93.98, 2);
    expect(levelOf(pressureAt(80, 1)) - levelOf(pressureAt(80, 2))).toBeCloseTo(6.0206, 4);
  });
  it('a small mirror falls as 1/d⁴, a wall as 1/d²', () => {
    const ratio = (area: number): number =>
      reflection(area, 0.9, 1, 10, 0) / reflection(area, 0.9, 2, 10, 0);
    expect(ratio(1e-6)).toBeCloseTo(16, 2);
    expect(ratio(1e6)).toBeCloseTo(4, 2);
  });
  it('rain: 1 − exp(−n·a) of the pad is wet; n from the depth of 2 mm drops', () => {
    const drops = 0.002 / 3600 / ((Math.PI / 6) * 8e-9);
    const wet = 1 - Math.exp(-drops * 60 * Math.PI * 9e-6);
    expect(given('rain', 'wet', 60)).toBeCloseTo(wet, 9);
  });
  it('dew comes and goes in straight lines, on surfaces and in the air', () => {
    for (const [t, share] of [
      [900, 0.5],
      [3600, 1],
      [6300, 0.5],
    ] as const) {
      expect(given('damp-settles', 'wet', t, { wetted: 0.08 })).toBeCloseTo(0.08 * share, 12);
      expect(given('damp-settles', 'humidity', t, { humid: 30 })).toBeCloseTo(30 * share, 12);
    }
  });
  it('a door’s edge moves along the chord 2·w·sin(α/2)', () => {
    expect(given('door-opens', 'gap', 3, { angle: 60, width: 1 }, [{ x: 10, y: 10 }])).toBeCloseTo(
      1,
      9,
    );
  });
});

describe('sky', () => {
  it.each([
    ['midsummer noon at 50° north: 90 − 50 + 23.45', 50, 172, 12, 63.45],
    ['midwinter noon at 50° north', 50, 355, 12, 16.55],
    ['sunrise at the equinox', 0, 81, 6, 0],
  ])('%s', (_, latitude, day, hour, elevation) => {
    expect(sunElevation({ latitude, day, hour })).toBeCloseTo(elevation, 1);
  });
  it('a clear sky at 60° gives about 100 klx (IES clear sky, worked by hand)', () => {
    const sine = Math.sin(Math.PI / 3);
    const lux = 127500 * Math.exp(-0.21 / sine) * sine + 800 + 15500 * Math.sqrt(sine);
    expect(clearSky(60)).toBeCloseTo(lux, 6);
    expect(lux).toBeGreaterThan(90e3);
  });
  it('gets darker all the way down to night', () => {
    let last = Infinity;
    for (let h = 90; h >= -30; h -= 0.5) {
      expect(clearSky(h)).toBeLessThanOrEqual(last);
      last = clearSky(h);
    }
    expect(clearSky(-6)).toBeCloseTo(3.4, 6);
    expect(last).toBeGreaterThan(0);
  });
  it('full cloud leaves a quarter (Kasten and Czeplak)', () => {
    expect(throughClouds(0)).toBe(1);
    expect(throughClouds(1)).toBe(0.25);
  });
  it('follows the hour of the scene, and clouds that pass are the same for the same seed', () => {
    const ambient = ambientOf({ ambient: { sky: 1, hour: 20.5, passing: 0.8, swing: 5 } });
    expect(daylightAt(ambient, 0, 7)).toBe(daylightAt(ambient, 0, 7));
    expect(daylightAt(ambient, 3600, 7)).toBeLessThan(daylightAt(ambient, 0, 7) / 3);
    expect(temperatureAt(ambient, 6.5 * 3600)).toBeCloseTo(20, 9);
  });
  it('mains lamps pulse at twice the mains frequency', () => {
    const ambient = ambientOf({ ambient: { lamp: 100, mains: 50 } });
    expect(lampAt(ambient, 0.0025)).toBeCloseTo(130, 6);
    expect(lampAt(ambient, 0.0125)).toBeCloseTo(130, 6);
    expect(lampAt(ambient, 0.0075)).toBeCloseTo(70, 6);
  });
});

describe('bodies', () => {
  const walker = (at: Partial<Body>): Body => ({
    ...plainBody,
    x: 10,
    y: 14,
    heading: 0,
    speed: 1.3,
    width: 0.45,
    height: 1.7,
    excess: 8,
    echo: 0.5,
    mass: 75,
    ...at,
  });
  const stimulus = (
    body: Body,
    quantity: Quantity,
    more: Partial<Receiver> = {},
    plan = open,
    air = 20,
  ) => stimulusOfBody(body, receiver(quantity, more), plan, air) ?? 0;
  const wall: Plan = { ...open, walls: [{ from: { x: 0, y: 12 }, to: { x: 20, y: 12 } }] };

  it('warmth: crossing at 12 m is felt as approaching at 4 m (from memory); Doppler the other way round', () => {
    const [across, towards] = [walker({ heading: 0 }), walker({ heading: 270 })];
    const far = walker({ heading: 0, y: 10 + 12 });
    const ratio = stimulus(far, 'heat') / stimulus(towards, 'heat');
    expect(ratio).toBeGreaterThan(0.75);
    expect(ratio).toBeLessThan(1.33);
    expect(stimulus(towards, 'echo')).toBeGreaterThan(10 * stimulus(across, 'echo'));
  });
  it('warmth at 4 m, by hand: 4σT³·ΔT · A/(πd²) · 1.86 zones a second through two stages and the element', () => {
    const exitance = 4 * 5.670374419e-8 * 300 ** 3 * 8;
    const zones = ((1.3 / 4) * (180 / Math.PI)) / 10;
    const band = 1 / ((1 + (0.3 / zones) ** 2) * Math.sqrt(1 + (zones / 10) ** 2));
    const byHand = ((exitance * 0.45 * 1.7) / (Math.PI * 16)) * band;
    expect(stimulus(walker({}), 'heat', { zone: 10 })).toBeCloseTo(byHand, 9);
  });
  it.each([
    [35, 0],
    [27.5, 4],
    [20, 8],
    [5, 16],
    [40, 8 / 3],
  ])(
    'in air of %d °C someone whose skin is 35 °C in the heat stands out by %d K',
    (air, kelvin) => {
      const warm = stimulus(walker({ skin: skinInHeat }), 'heat', {}, open, air);
      expect(warm).toBeCloseTo((stimulus(walker({}), 'heat', {}, open, air) * kelvin) / 8, 9);
    },
  );
  it('a wall hides warmth and distance, leaves half of the radio echo', () => {
    const towards = walker({ heading: 270 });
    expect(stimulus(walker({}), 'heat', {}, wall)).toBe(0);
    expect(stimulus(walker({}), 'distance', {}, wall)).toBe(0);
    expect(stimulus(towards, 'echo', {}, wall)).toBeCloseTo(stimulus(towards, 'echo') / 2, 12);
  });
  it('a ranger sees the near side of what stands in its cone, and nothing outside or beyond reach', () => {
    expect(stimulus(walker({}), 'distance', { halfAngle: 15, reach: 5 })).toBeCloseTo(4 - 0.225, 9);
    expect(stimulus(walker({ x: 14 }), 'distance', { halfAngle: 15 })).toBe(0);
    expect(stimulus(walker({}), 'distance', { reach: 3 })).toBe(0);
  });
  it('a mat carries the weight of who stands on it, m·g', () => {
    expect(stimulus(walker({ y: 10.1 }), 'force', { radius: 0.3 })).toBeCloseTo(75 * 9.80665, 9);
    expect(stimulus(walker({ y: 10.5 }), 'force', { radius: 0.3 })).toBe(0);
  });
  it('falls with distance, whatever is felt', () => {
    fc.assert(
      fc.property(
        fc.constantFrom<Quantity>('heat', 'echo', 'reflection', 'vibration', 'sound'),
        fc.double({ min: 1.2, max: 8, noNaN: true }),
        fc.constantFrom(0, 270),
        (quantity, d, heading) => {
          // Slow enough that a nearer one is not too quick for the band.
          const at = (y: number): Body =>
            walker({ y, heading, speed: 0.2, footfall: 1, loudness: 60 });
          expect(stimulus(at(10 + d), quantity)).toBeGreaterThanOrEqual(
            stimulus(at(10 + 1.05 * d), quantity),
          );
        },
      ),
    );
  });
});

/** Gives nothing at any moment. */
const none = (): number => 0;

describe('every kind of happening', () => {
  it.each(happeningKinds.map((k) => [k.kind, k] as const))('%s', (kind, about) => {
    const path = [
      { x: 9, y: 10.02 },
      { x: 11, y: 10.02 },
    ];
    const happening: Happening = {
      id: 'h',
      kind,
      name: 'h',
      intent: 'wanted',
      start: 5,
      params: {},
      path: about.where === 'path' ? path : [{ x: 10, y: 10.02 }],
    };
    const { start, end } = happeningSpan(happening);
    expect(end).toBeGreaterThan(start);
    expect(about.source.length).toBeGreaterThan(10);
    // It does something to some quantity, to the program or to what is sent, and nothing before it begins.
    let reached = about.body !== undefined || about.hangs === true || about.jams === true;
    for (const contributes of [
      ...Object.values(about.contributes ?? {}),
      about.warms ?? none,
      about.filled ?? none,
    ]) {
      for (let i = 0; i <= 100; i++) {
        const t = ((end - start) * i) / 100;
        const value = contributes(momentOf(happening, start + t), receiver('light')) ?? 0;
        expect(Number.isFinite(value)).toBe(true);
        if (value !== 0) reached = true;
      }
      const early = contributes(momentOf(happening, start - 1), receiver('light'));
      expect([undefined, 0, 1]).toContain(early === 0 ? 0 : early);
    }
    const whole = momentOf(happening, start);
    if (about.alters && about.steady) {
      const [from] = about.steady(whole);
      // As before it begins once it is over.
      const [before, meanwhile, after] = [-1, from, end].map((t) =>
        JSON.stringify(about.alters?.({ ...whole, t })),
      );
      // What was changed for another stays so.
      if (!after?.includes('renewed')) expect(after).toBe(before);
      reached = meanwhile !== before;
    }
    expect(reached).toBe(true);
    const scene: Scene = {
      ...{ id: 's', name: 's', seed: 1, duration: 60, ambient: {} },
      happenings: [happening],
    };
    expect(momentIn(scene, 0).bodies).toEqual([]);
  });

  it('is found by what a maker would type', () => {
    expect(searchHappenings('cat')[0].kind).toBe('pet');
    expect(searchHappenings('gas leak')[0].kind).toBe('gas-released');
    expect(searchHappenings('')).toHaveLength(happeningKinds.length);
  });
  it('a candle at 1 m gives about a lux (12 lm all around)', () => {
    const mean = given('flame', 'light', 0, { height: 0.03 }, [{ x: 10, y: 11 }]);
    expect(mean).toBeCloseTo(12 / (4 * Math.PI), 6);
  });
  it('an alarm’s pattern sounds 1.5 s of every 4 s (ISO 8201)', () => {
    let on = 0;
    for (let t = 0; t < 16; t += 0.01) if (given('alarm-tone', 'sound', t) > 0) on += 0.01;
    expect(on).toBeCloseTo(6, 1);
  });
});

it('surroundings have limits, and every quantity a rest', () => {
  for (const { id, default: usual, min, max } of ambientParams) {
    expect(id.length).toBeGreaterThan(0);
    expect(usual).toBeGreaterThanOrEqual(min);
    expect(usual).toBeLessThanOrEqual(max);
  }
});

it('a way of several points is walked at an even speed', () => {
  const path = [
    { x: 0, y: 0 },
    { x: 3, y: 0 },
    { x: 3, y: 4 },
  ];
  expect(pathLength(path)).toBe(7);
  expect(alongPath(path, 5)).toMatchObject({ x: 3, y: 2, heading: 90 });
  expect(alongPath(path, 7.1)).toBeUndefined();
});

it('an empty design has a plan', () => expect(emptyDesign('x').plan.width).toBeGreaterThan(0));
