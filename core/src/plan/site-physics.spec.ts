import fc from 'fast-check';
import {
  emptyDesign,
  type Design,
  type Material,
  type Opening,
  type Part,
  type Place,
  type Plan,
  type Spot,
} from '../design/index.js';
import { declinationOf, radioLoss, sunPosition } from '../scene/index.js';
import {
  aWeighting,
  fresnelRadius,
  freeSpaceLoss,
  knifeEdgeLoss,
  glareIn,
  heardAt,
  radioReach,
  sunGlare,
} from './index.js';

const part = (kind: string, params: Part['params'] = {}, facing = 0): Part => ({
  ...{ id: 'U1', kind, name: 'It', params },
  place: { x: 0, y: 0, facing },
});
const looking = (facing: number): Place => ({ x: 0, y: 0, facing });
const small = emptyDesign('Small');
const spot = (x: number, background = 30): Spot => ({ name: 'There', at: { x, y: 0 }, background });
const onField = (...walls: (Material | undefined)[]): Design => {
  const empty = emptyDesign('Field');
  const at = (x: number) => ({ from: { x, y: -1 }, to: { x, y: 1 } });
  return {
    ...empty,
    plan: {
      ...{ width: 5000, depth: 10 },
      walls: walls.map((material, i) => ({ ...at(i + 1), ...(material ? { material } : {}) })),
    },
  };
};

describe('the sun', () => {
  /** Low-precision position (Astronomical Almanac, section C): the sun's declination within 0.01°. */
  function almanac(day: number): number {
    const n = 8400 + day; // 2023 began 8400 days after noon of 1 January 2000
    const rad = Math.PI / 180;
    const g = (357.528 + 0.9856003 * n) * rad;
    const longitude = 280.46 + 0.9856474 * n + 1.915 * Math.sin(g) + 0.02 * Math.sin(2 * g);
    return Math.asin(Math.sin(23.439 * rad) * Math.sin(longitude * rad)) / rad;
  }
  const days = [80, 172, 266, 355];

  it.each(days)(
    'on day %i stands over the equator as the Astronomical Almanac says, within 1.6°',
    (day) => {
      expect(Math.abs(declinationOf(day) - almanac(day))).toBeLessThan(1.6);
    },
  );

  // Sunrise with the almanac's declination: cos H = −tan φ·tan δ, cos A = sin δ/cos φ.
  it.each([0, 35, 60].flatMap((latitude) => days.map((day) => [latitude, day] as const)))(
    'at %i° on day %i rises when and where the almanac says, within 13 min and 3.2°',
    (latitude, day) => {
      const rad = Math.PI / 180;
      const delta = almanac(day) * rad;
      const hour = 12 - Math.acos(-Math.tan(latitude * rad) * Math.tan(delta)) / rad / 15;
      const azimuth = Math.acos(Math.sin(delta) / Math.cos(latitude * rad)) / rad;
      let rises = 0;
      while (sunPosition({ latitude, day, hour: rises }).elevation <= 0) rises += 1 / 600;
      expect(Math.abs(rises - hour) * 60).toBeLessThan(13);
      const found = sunPosition({ latitude, day, hour: rises }).azimuth;
      expect(Math.abs(found - azimuth)).toBeLessThan(3.2);
    },
  );

  it('is due south at noon north of the tropics, in the east before and in the west after', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 24, max: 66, noNaN: true }),
        fc.integer({ min: 1, max: 365 }),
        (latitude, day) => {
          expect(sunPosition({ latitude, day, hour: 12 }).azimuth).toBeCloseTo(180, 6);
          const [before, after] = [9, 15].map((hour) => sunPosition({ latitude, day, hour }));
          expect((before?.azimuth ?? 0) + (after?.azimuth ?? 0)).toBeCloseTo(360, 6);
          expect(before?.elevation).toBeCloseTo(after?.elevation ?? NaN, 9);
        },
      ),
    );
  });
});

describe('sun that stands in a cone', () => {
  it('all around is all that is day: half a year, wherever it is', () => {
    for (const latitude of [0, 30, 50])
      expect(glareIn(looking(0), 180, latitude).hours / 4380).toBeCloseTo(1, 2);
  });

  it('two halves of the sky are all of it, and east and west are alike', () => {
    const [east, west] = [glareIn(looking(0), 90, 50), glareIn(looking(180), 90, 50)];
    expect(east.hours).toBeCloseTo(west.hours, 6);
    expect(east.hours + west.hours).toBeCloseTo(glareIn(looking(0), 180, 50).hours, 6);
    expect(east.worst?.to).toBeLessThan(12.1);
  });

  it('never blinds what looks north from the middle latitudes in a narrow cone, and in the south most in winter', () => {
    expect(glareIn(looking(90), 20, 50)).toEqual({ hours: 0, months: Array(12).fill(0) });
    const south = glareIn(looking(-90), 20, 50);
    expect([11, 0, 1]).toContain(south.worst?.month);
  });

  it('is told of what sees light or near infrared in a cone, and of nothing else', () => {
    expect(sunGlare(small, part('flame-receiver', {}, -90), 50)?.hours).toBeGreaterThan(100);
    for (const kind of ['pyroelectric-module', 'ultrasonic-ranger', 'resistor'])
      expect(sunGlare(small, part(kind), 50)).toBeUndefined();
  });
});

describe('sun past what stands before it', () => {
  const wall = (height: number, openings: Opening[] = []): Plan['walls'][number] => ({
    ...{ from: { x: -1e4, y: -2 }, to: { x: 1e4, y: -2 } },
    ...{ height, openings },
  });
  const before = (place: Partial<Place>, walls: Plan['walls'], more: Partial<Plan> = {}) =>
    glareIn({ x: 0, y: 0, facing: -90, z: 1, ...place }, 80, 50, { walls, ...more });
  /** Hours of a year in which the sun is in that cone and stands so high and so far off south, degrees. */
  const hoursWhen = (is: (up: number, off: number) => boolean): number => {
    const rad = Math.PI / 180;
    let hours = 0;
    for (let day = 1; day <= 365; day++)
      for (let i = 0; i < 144; i++) {
        const { elevation, azimuth } = sunPosition({ latitude: 50, day, hour: (i + 0.5) / 6 });
        const off = azimuth - 180;
        const cosine = Math.cos(elevation * rad) * Math.cos(off * rad);
        if (elevation > 0 && cosine >= Math.cos(80 * rad) && is(elevation, off)) hours += 1 / 6;
      }
    return hours;
  };

  it('comes over an endless wall in the south when it is higher than the wall seen from there', () => {
    // It stands (height − z) over the sensor, and at distance/cos of how far it is off south.
    const rad = Math.PI / 180;
    const over = (up: number, off: number): boolean =>
      Math.tan(up * rad) > ((3 - 1) / 2) * Math.cos(off * rad);
    const [open, shaded] = [before({}, []), before({}, [wall(3)])];
    expect(shaded.hours).toBeCloseTo(hoursWhen(over), 6);
    expect(shaded.hours).toBeLessThan(open.hours / 2);
  });

  it('comes through a window in the south only from below its top and above its sill', () => {
    const window: Opening = { kind: 'window', along: 1e4 - 1, width: 2, bottom: 1, top: 2 };
    const { months } = before({}, [wall(50, [window])]);
    // At noon 26.6° is the highest that comes in: at 50° north from the end of October to the middle of February.
    expect([0, 1, 9, 10, 11].every((m) => months[m] > 0)).toBe(true);
    expect([2, 3, 4, 5, 6, 7, 8].every((m) => months[m] === 0)).toBe(true);
    const door = before({}, [wall(50, [{ ...window, kind: 'door' }])]);
    expect(door.hours).toBe(0);
  });

  it('is not shaded by what does not tell its height, nor where the sensor does not tell its own', () => {
    const { height: _, ...unknown } = wall(3);
    expect(before({}, [unknown])).toEqual(before({}, []));
    expect(before({ z: undefined }, [wall(3)])).toEqual(before({}, []));
  });

  it('is hidden by a tree of 4 m whose middle is 5 m away as far as asin(4/5) off it, and not by one that is lower', () => {
    const tree = (height: number) => ({ trees: [{ at: { x: 0, y: -5 }, radius: 4, height }] });
    const past = hoursWhen((_, off) => Math.abs(off) > (Math.asin(4 / 5) * 180) / Math.PI);
    expect(before({}, [], tree(40)).hours).toBeCloseTo(past, 6);
    expect(past).toBeLessThan(before({}, []).hours);
    expect(before({}, [], tree(0.9))).toEqual(before({}, []));
  });

  it('a plan that is turned is as a sensor that is turned the other way', () => {
    fc.assert(
      fc.property(fc.integer({ min: -180, max: 180 }), (north) => {
        const turned = before({ facing: -90 - north }, [], { north }).hours;
        expect(turned).toBeCloseTo(before({}, []).hours, 6);
      }),
      { numRuns: 10 },
    );
  });

  it('a sensor that looks down sees less of it, one that looks straight down none in a narrow cone', () => {
    const down = (tilt: number): number => glareIn({ ...looking(-90), tilt }, 30, 50).hours;
    expect(down(0)).toBeGreaterThan(down(20));
    expect(down(90)).toBe(0);
  });
});

describe('radio', () => {
  // ITU-R P.525-4, equation 4: 32.4 + 20·lg f + 20·lg d in MHz and km.
  it.each([
    [1, 100],
    [433.92, 1000],
    [868, 300],
    [2400, 50],
    [5800, 12000],
  ])('at %d MHz over %d m loses what P.525 says', (mega, metres) => {
    const table = 32.4 + 20 * Math.log10(mega) + 20 * Math.log10(metres / 1000);
    expect(Math.abs(freeSpaceLoss(metres, mega * 1e6) - table)).toBeLessThan(0.06);
  });

  // ITU-R P.526-15, equation 2: 550·√(n·d₁·d₂/((d₁ + d₂)·f)) in MHz and km.
  it.each([
    [500, 500, 433.92],
    [100, 900, 868],
    [2000, 8000, 2400],
  ])(
    '%d m from one end and %d m from the other its zone at %d MHz is as wide as P.526 says',
    (a, b, mega) => {
      const metres = 550 * Math.sqrt(((a / 1000) * (b / 1000)) / (((a + b) / 1000) * mega));
      expect(fresnelRadius(a, b, mega * 1e6) / metres).toBeCloseTo(1, 2);
    },
  );

  // ITU-R P.526-15, figure 9: J(v) over v, as its curve has it to half a decibel (from memory).
  it.each([
    [-1, 0],
    [0, 6],
    [1, 14],
    [2, 19],
    [3, 22.5],
  ])('over a knife edge at v = %d it loses %d dB', (v, decibels) => {
    // Of 500 m on both sides at a wavelength of 1 m, v is h·√(2·(1/500 + 1/500)).
    const above = v / Math.sqrt(2 * (2 / 500));
    expect(Math.abs(knifeEdgeLoss(above, 500, 500, 299_792_458) - decibels)).toBeLessThan(0.5);
  });

  it('over a hill of 5 m between two at 2 m, 150 m from both, by hand: 11 dB; from 8 m on one side less', () => {
    const hill = { from: { x: 150, y: -50 }, to: { x: 150, y: 50 }, material: 'earth' as const };
    const field = onField();
    const hilly = { ...field, plan: { ...field.plan, walls: [{ ...hill, height: 5 }] } };
    const from = (z: number | undefined): Part => ({
      ...part('radio-link'),
      place: { x: 0, y: 0, facing: 0, z },
    });
    const lost = (z: number | undefined, there: number | undefined): number | undefined => {
      const at = { x: 300, y: 0, z: there };
      return radioReach(hilly, from(z), { ...spot(300), at })?.walls;
    };
    // v = 3·√(2/0.691·(2/150)) = 0.589: 6.9 + 20·lg(√(0.489² + 1) + 0.489).
    expect(lost(2, 2)).toBeCloseTo(11, 1);
    expect(lost(8, 2)).toBeCloseTo(6.03, 1);
    expect(lost(30, 30)).toBe(0);
    // Where somebody's height is not told, nothing goes over it, and nothing through it.
    expect([lost(undefined, 2), lost(2, undefined)]).toEqual([60, 60]);
  });

  it('a kilometre across a field, by hand: 110 dBm + 10 dBm − 85.2 dB leaves 34.8 dB', () => {
    const found = radioReach(onField(), part('radio-link'), spot(1000));
    expect(found?.free).toBeCloseTo(85.19, 1);
    expect(found?.margin).toBeCloseTo(120 - 85.19, 1);
    expect(found?.fresnel).toBeCloseTo(13.1, 1);
  });

  /** Once through a slab with complex permittivity ε − 17.98j·σ/f (ITU-R P.2040-3, equation 9): both faces and what is lost between, dB. */
  function slab(
    permittivity: number,
    conductivity: number,
    giga: number,
    thickness: number,
  ): number {
    const [re, im] = [permittivity, (-17.98 * conductivity) / giga];
    const size = Math.hypot(re, im);
    const [n, k] = [Math.sqrt((size + re) / 2), -Math.sqrt((size - re) / 2)];
    // |2/(1 + n)|·|2n/(1 + n)|, squared.
    const faces = (16 * (n * n + k * k)) / ((1 + n) ** 2 + k * k) ** 2;
    const lost = Math.exp((4 * Math.PI * giga * 1e9 * k * thickness) / 299_792_458);
    return -10 * Math.log10(faces * lost);
  }

  // ITU-R P.2040-3, table 3; conductivities at 0.43392 GHz.
  it.each<[Material, number]>([
    ['brick', slab(3.91, 0.0238 * 0.43392 ** 0.16, 0.43392, 0.11)],
    ['concrete', slab(5.24, 0.0462 * 0.43392 ** 0.7822, 0.43392, 0.15)],
    ['plasterboard', slab(2.73, 0.0085 * 0.43392 ** 0.9395, 0.43392, 0.025)],
    ['wood', slab(1.99, 0.0047 * 0.43392 ** 1.0718, 0.43392, 0.02)],
    ['glass', slab(6.31, 0.0036 * 0.43392 ** 1.3394, 0.43392, 0.006)],
  ])('a wall of %s takes %d dB, and two walls twice that', (material, decibels) => {
    expect(radioLoss(material, 433.92e6)).toBeCloseTo(decibels, 1);
    const [open, behind] = [onField(), onField(material, material)].map((d) =>
      radioReach(d, part('radio-link'), spot(100)),
    );
    expect((open?.margin ?? 0) - (behind?.margin ?? 0)).toBeCloseTo(
      2 * radioLoss(material, 433.92e6),
      9,
    );
  });

  it('sheet metal lets nothing by, and what is at the very place is no nearer than a wavelength', () => {
    expect(radioReach(onField('metal'), part('radio-link'), spot(100))?.walls).toBe(60);
    expect(radioReach(onField(), part('radio-link'), spot(0))?.distance).toBeCloseTo(0.691, 3);
    expect(radioReach(onField(), part('resistor'), spot(10))).toBeUndefined();
  });
});

describe('what is heard', () => {
  // IEC 61672-1:2013, table 3: goals of A-weighting at nominal frequencies, which stand for powers of ten in steps of thirds.
  it.each([
    [31.5, -39.4],
    [63, -26.2],
    [125, -16.1],
    [250, -8.6],
    [500, -3.2],
    [1000, 0],
    [2000, 1.2],
    [4000, 1.0],
    [8000, -1.1],
    [16000, -6.6],
  ])('%d Hz counts %d dB', (nominal, decibels) => {
    const exact = 1000 * 10 ** (Math.round(10 * Math.log10(nominal / 1000)) / 10);
    expect(Math.abs(aWeighting(exact) - decibels)).toBeLessThan(0.06);
  });

  it('falls by 6 dB each time it is twice as far: 96 dB at 1 m are 76 dB at 10 m, and its tone counts', () => {
    const at = (x: number, tone = 1000) =>
      heardAt(onField(), part('sounder-12v', { tone }), spot(x));
    expect(at(10)?.level).toBeCloseTo(76, 1);
    expect((at(10)?.level ?? 0) - (at(20)?.level ?? 0)).toBeCloseTo(20 * Math.log10(2), 9);
    expect((at(10, 125)?.level ?? 0) - (at(10)?.level ?? 0)).toBeCloseTo(-16.1, 0);
    expect(at(10)?.over).toBeCloseTo(46, 1);
  });

  it('is weakened by what walls are of, and told only of what sounds', () => {
    const behind = (material?: Material) =>
      heardAt(onField(material), part('sounder-12v'), spot(10))?.walls;
    expect([behind('brick'), behind('glass'), behind()]).toEqual([45, 30, 22]);
    expect(heardAt(onField('brick', 'brick'), part('sounder-12v'), spot(10))?.walls).toBe(60);
    expect(heardAt(onField(), part('radio-link'), spot(10))).toBeUndefined();
  });
});
