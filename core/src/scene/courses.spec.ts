import type { Quantity } from '../catalog/index.js';
import type { Happening } from '../design/index.js';
import { momentOf } from './happenings.js';
import { findHappeningKind, type Receiver } from './index.js';

const receiver = (quantity: Quantity, radius = 0.01): Receiver => ({
  quantity,
  place: { x: 0, y: 0, facing: 0 },
  radius,
  recording: { id: 'r', name: 'r', times: [0, 10], values: [1, 3] },
});

/** What a happening gives a receiver at the origin that looks east, `t` s after it has begun. */
function given(
  kind: string,
  quantity: Quantity,
  t: number,
  params: Record<string, number>,
  path: [number, number][],
  radius?: number,
): number {
  const found = findHappeningKind(kind);
  const happening: Happening = {
    ...{ id: 'h', name: 'h', intent: 'wanted', start: 0 },
    kind,
    params,
    path: path.map(([x, y]) => ({ x, y })),
  };
  return found?.contributes?.[quantity]?.(momentOf(happening, t), receiver(quantity, radius)) ?? 0;
}

type Course = [
  kind: string,
  quantity: Quantity,
  params: Record<string, number>,
  path: [number, number][],
  points: [t: number, value: number][],
];

const pressure = (decibel: number): number => 20e-6 * 10 ** (decibel / 20);
const courses: Course[] = [
  // 1 kW, of which 0.3 is sent out and 0.02 of that wavers, over a sphere of 2 m.
  [
    'heater-comes-on',
    'heat',
    { watts: 1000, radiant: 0.3, wavers: 0.02, lasts: 10 },
    [[2, 0]],
    [
      [-0.1, 0],
      [5, (1000 * 0.3 * 0.02) / (16 * Math.PI)],
      [10.1, 0],
    ],
  ],
  // Sound dies away as e^(−t/τ) and falls as 1/d.
  [
    'clap',
    'sound',
    { level: 94, decay: 0.02 },
    [[2, 0]],
    [
      [0, pressure(94) / 2],
      [0.02, pressure(94) / 2 / Math.E],
      [-0.1, 0],
      [0.15, 0],
    ],
  ],
  [
    'glass-breaks',
    'sound',
    { level: 100, decay: 0.1 },
    [[1, 0]],
    [
      [0, pressure(100)],
      [0.1, pressure(100) / Math.E],
    ],
  ],
  [
    'glass-breaks',
    'vibration',
    { shake: 4, decay: 0.1 },
    [[2, 0]],
    [
      [0, 2],
      [0.1, 2 / Math.E],
    ],
  ],
  [
    'knock',
    'vibration',
    { shake: 5, decay: 0.03 },
    [[0.3, 0]],
    [
      [0, 5],
      [0.03, 5 / Math.E],
    ],
  ],
  [
    'alarm-tone',
    'sound',
    { level: 95 },
    [[1, 0]],
    [
      [0.2, pressure(95)],
      [0.7, 0],
      [2.2, pressure(95)],
      [3.2, 0],
      [4.2, pressure(95)],
      [30, 0],
    ],
  ],
  // A weight comes down, stays, leaves: m·g.
  [
    'footstep',
    'force',
    { mass: 50, rise: 0.2, stays: 1 },
    [[0, 0]],
    [
      [0.1, 25 * 9.80665],
      [0.5, 50 * 9.80665],
      [1.3, 25 * 9.80665],
      [2, 0],
    ],
  ],
  [
    'finger-touches',
    'touch',
    { lasts: 0.4, farads: 8e-12 },
    [[0.02, 0]],
    [
      [0.2, 8e-12],
      [0.5, 0],
    ],
  ],
  [
    'finger-touches',
    'force',
    { lasts: 1, force: 4 },
    [[0, 0]],
    [
      [0.05, 2],
      [0.5, 4],
      [0.95, 2],
    ],
  ],
  [
    'door-opens',
    'heading',
    { angle: 80, moves: 2, stays: 3 },
    [[0, 0.5]],
    [
      [1, 40],
      [3, 80],
      [6, 40],
      [8, 0],
    ],
  ],
  [
    'door-opens',
    'gap',
    { angle: 60, width: 1, moves: 2, stays: 3 },
    [[0, 0.5]],
    [
      [1, 2 * Math.sin(Math.PI / 12)],
      [3, 1],
    ],
  ],
  [
    'tips',
    'tilt',
    { angle: 30, moves: 1, stays: 2 },
    [[0, 0]],
    [
      [0.5, 15],
      [2, 30],
      [3.5, 15],
      [5, 0],
    ],
  ],
  [
    'key-pressed',
    'key',
    { key: 5, lasts: 0.2 },
    [[0, 0]],
    [
      [0.1, 5],
      [0.3, 0],
    ],
  ],
  [
    'code-typed',
    'key',
    { code: 309, each: 0.5 },
    [[0, 0]],
    [
      [0.1, 3],
      [0.3, 0],
      [0.6, 10],
      [0.8, 0],
      [1.1, 9],
      [1.3, 0],
      [1.6, 0],
    ],
  ],
  [
    'tag-shown',
    'tag',
    { tag: 99, lasts: 1 },
    [[0.03, 0]],
    [
      [0.5, 99],
      [1.5, 0],
    ],
  ],
  // The air and what is in it.
  [
    'warmth-comes',
    'temperature',
    { kelvin: 12, moves: 100, stays: 50 },
    [],
    [
      [50, 6],
      [120, 12],
      [200, 6],
      [300, 0],
    ],
  ],
  [
    'warmth-comes',
    'humidity',
    { humid: -20, moves: 100, stays: 50 },
    [],
    [
      [50, -10],
      [120, -20],
    ],
  ],
  [
    'smoke-fills',
    'smoke',
    { density: 0.4, grows: 100, stays: 50, clears: 200 },
    [],
    [
      [50, 0.2],
      [120, 0.4],
      [250, 0.2],
      [400, 0],
    ],
  ],
  [
    'gas-released',
    'methane',
    { gas: 1, rate: 6, releases: 100, volume: 10, changes: 0, looks: 300 },
    [],
    [
      [50, 500],
      [100, 1000],
      [200, 1000],
    ],
  ],
  [
    'gas-released',
    'propane',
    { gas: 1, rate: 6, releases: 100, volume: 10, changes: 0 },
    [],
    [[50, 0]],
  ],
  // Water.
  [
    'water-rises',
    'water',
    { low: 0.1, high: 0.5, rises: 100, stays: 50, drains: 100 },
    [],
    [
      [50, 0.3],
      [120, 0.5],
      [200, 0.3],
      [251, 0],
    ],
  ],
  [
    'water-flows',
    'flow',
    { rate: 8, opens: 1, lasts: 10 },
    [],
    [
      [0.5, 4],
      [5, 8],
      [11.5, 4],
    ],
  ],
  [
    'soil-dries',
    'moisture',
    { change: -0.1, lasts: 100 },
    [],
    [
      [50, -0.05],
      [100, -0.1],
      [500, -0.1],
    ],
  ],
  // Light.
  [
    'dusk-falls',
    'light',
    { takes: 100, moves: 10, stays: 5 },
    [],
    [
      [5, -50],
      [12, -100],
      [20, -50],
    ],
  ],
  [
    'lamp-on',
    'light',
    { lumens: 400 * Math.PI, lasts: 5 },
    [[2, 0]],
    [
      [1, 25],
      [6, 0],
    ],
  ],
  [
    'low-sun',
    'light',
    { light: 1000, lasts: 8, azimuth: 0 },
    [],
    [
      [0, 0],
      [4, 1000],
      [2, 500],
    ],
  ],
  // Feeds and stand-ins.
  [
    'battery-ages',
    'charge',
    { left: 0.2, lasts: 10 },
    [],
    [
      [5, 0.6],
      [10, 0.2],
      [99, 0.2],
    ],
  ],
  [
    'supply-dips',
    'supply',
    { left: 0.4, lasts: 1 },
    [],
    [
      [0.005, 0.7],
      [0.5, 0.4],
      [2, 0],
    ],
  ],
  [
    'recording-plays',
    'recorded',
    { lasts: 10 },
    [],
    [
      [5, 1],
      [10, 2],
      [11, 0],
    ],
  ],
];

describe('the course of each happening, by hand', () => {
  const points = courses.flatMap(([kind, quantity, params, path, list]) =>
    list.map(([t, value]) => [kind, quantity, t, value, params, path] as const),
  );
  it.each(points)('%s, %s at %d s: %d', (kind, quantity, t, value, params, path) => {
    const found = given(kind, quantity, t, params, [...path]);
    expect(Math.abs(found - value)).toBeLessThanOrEqual(1e-6 * Math.abs(value) + 1e-15);
  });

  it('a magnet held nearer is felt more, by the closed form', () => {
    const at = (x: number): number =>
      given('magnet-approaches', 'field', 0, { speed: 0.01 }, [
        [x, 0],
        [x, 1],
      ]);
    const closed = (z: number): number =>
      0.6 * ((0.005 + z) / Math.hypot(0.005, 0.005 + z) - z / Math.hypot(0.005, z));
    for (const x of [0.02, 0.05, 0.1]) expect(at(x)).toBeCloseTo(closed(x), 12);
  });

  it('headlights come nearer: intensity over the square of the distance', () => {
    const at = (t: number): number =>
      given('headlights', 'light', t, { speed: 10, candela: 1e4 }, [
        [40, 0],
        [0, 0],
      ]);
    expect(at(0)).toBeCloseTo(1e4 / 1600, 6);
    expect(at(2)).toBeCloseTo(1e4 / 400, 6);
    expect(at(5)).toBe(0);
  });

  it('a flame sends an area of a third of its height squared all around', () => {
    const mean = given('flame', 'infrared', 0, { height: 0.3 }, [[2, 0]]);
    expect(mean).toBeCloseTo((30e3 * 0.02 * 0.03) / (4 * Math.PI * 4), 9);
  });
});
