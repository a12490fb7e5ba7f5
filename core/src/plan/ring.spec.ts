import { applyEdit, type Design, type Happening, type Scene } from '../design/index.js';
import { quietScene, rehearse } from '../rehearsal/index.js';
import { angularResponse } from '../scene/index.js';
import { addAlike, ringOf, spreadAlike, tripPoints } from './index.js';
import { onPlan, person, watched } from './testing/watched.js';

const flame = { kind: 'flame', params: { height: 0.1 } };
const center = { x: 3, y: 3 };
const sensorOf = (design: Design): string => design.parts.find((p) => p.place)?.id ?? '';
const receiver = onPlan(
  watched('flame-receiver', { x: 1, y: 3, facing: 0 }, { ...flame, far: 1 }),
  6,
  6,
);
const points = tripPoints(receiver, quietScene);
const ringAt = (distance: number) =>
  ringOf(receiver, quietScene, flame, sensorOf(receiver), center, distance, points);

describe('a ring of flame receivers', () => {
  it.each([0.4, 0.5, 0.8, 1])(
    'at %d m each sees as far to the side as cosⁿ and the inverse square say: 180° over it closes the ring',
    (distance) => {
      // What trips it, W/m²; 2 % of 30 kW/m² of a third of height squared, all round.
      const trips = points[0]?.at ?? NaN;
      const ahead = (0.02 * 30e3 * (0.1 ** 2 / 3)) / (4 * Math.PI * distance ** 2);
      const found = ringAt(distance);
      const half = found?.half ?? NaN;
      const seen = ahead * angularResponse(half, 30);
      // It flickers by 35 % at most, and is noticed when it is at its brightest.
      expect(trips / seen).toBeGreaterThan(0.95);
      expect(trips / seen).toBeLessThan(1.35);
      expect(found?.count).toBe(Math.ceil(180 / half));
      expect(found?.overlap).toBeCloseTo(2 * half - 360 / (found?.count ?? 1), 9);
    },
  );

  it('takes more the farther off the flame is, until even straight ahead nothing is noticed', () => {
    const counts = [0.4, 0.6, 0.8, 1].map((d) => ringAt(d)?.count ?? 0);
    expect(counts).toEqual([...counts].sort((a, b) => a - b));
    expect(ringAt(5)).toBeUndefined();
  });

  /** One flame after another, all around, as far off. */
  const around = (distance: number, n: number): Scene => ({
    ...quietScene,
    id: 'around',
    duration: 20 * n,
    happenings: Array.from({ length: n }, (_, i): Happening => {
      const angle = (2 * Math.PI * i) / n;
      const at = {
        x: center.x + distance * Math.cos(angle),
        y: center.y + distance * Math.sin(angle),
      };
      return {
        ...{ id: `h${i}`, name: `Flame ${i}`, kind: 'flame', intent: 'wanted' },
        ...{ start: 20 * i + 2, params: { height: 0.1, lasts: 10 }, path: [at] },
      };
    }),
  });
  const noticed = (design: Design, scene: Scene): number =>
    rehearse(design, scene, undefined, 'time').verdicts.filter((v) => v.outcome === 'noticed')
      .length;

  it('a rehearsal notices flames from all sides with as many as it says, and misses some with one fewer', () => {
    const distance = 0.5;
    const { count = 0, places = [] } = ringAt(distance) ?? {};
    const all = applyEdit(receiver, spreadAlike(receiver, sensorOf(receiver), places));
    expect(all.channels).toHaveLength(count);
    const scene = around(distance, 24);
    expect(noticed(all, scene)).toBe(24);
    const one = all.parts.find((p) => p.place && p.place.facing !== places[0]?.facing);
    const fewer = applyEdit(all, { type: 'remove-part', id: one?.id ?? '' });
    expect(noticed(fewer, scene)).toBeLessThan(24);
  });
});

it('a ranger is cut off at its cone: 180° over ±15° are twelve, with no overlap', () => {
  const ranger = onPlan(watched('ultrasonic-ranger', { x: 1, y: 3, facing: 0 }), 6, 6);
  const found = ringOf(ranger, quietScene, person, sensorOf(ranger), center, 1);
  expect(found?.count).toBe(12);
  expect(found?.overlap).toBeCloseTo(0, 4);
  expect(found?.places.map((p) => p.facing)).toEqual([
    0, 30, 60, 90, 120, 150, -180, -150, -120, -90, -60, -30,
  ]);
});

describe('more sensors alike', () => {
  it('are read by channels of their own, and what begins by the one begins by any', () => {
    const places = [1, 2].map((y) => ({ x: 5, y, facing: 180 }));
    const done = applyEdit(receiver, addAlike(receiver, sensorOf(receiver), places));
    const [first, ...others] = done.channels;
    expect(others.map(({ threshold, trips }) => [threshold, trips])).toEqual(
      others.map(() => [first?.threshold, first?.trips]),
    );
    expect(done.rules.map((r) => r.when)).toEqual([
      { is: 'any', of: done.channels.map(({ id }) => ({ is: 'channel', channel: id })) },
    ]);
    expect(done.parts.flatMap((p) => (p.kind === 'flame-receiver' ? [p.name] : []))).toEqual([
      'Sensor',
      'Sensor 2',
      'Sensor 3',
    ]);
  });

  it('are refused with the reason where no pin is left, and of what no channel reads', () => {
    const many = Array.from({ length: 12 }, () => ({ x: 5, y: 1, facing: 0 }));
    expect(() => addAlike(receiver, sensorOf(receiver), many)).toThrow(/No pin is free/);
    const [board] = receiver.parts.filter((p) => !p.place);
    expect(() => addAlike(receiver, board?.id ?? '', many)).toThrow(/there is nothing to copy/);
  });
});
