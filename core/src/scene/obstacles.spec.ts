import fc from 'fast-check';
import type { Opening, Plan, Point, RaisedPoint, Wall } from '../design/index.js';
import { barriersOf, leavesBetween, materialsBetween } from './obstacles.js';
import { crossedAt, meets, withinCircle } from './segments.js';
import { sightOf, throughWalls } from './sight.js';

/** A wall straight up the plan at x = 2, from y = 0 to y = 6. */
const wall = (more: Partial<Wall> = {}): Plan => ({
  ...{ width: 10, depth: 6 },
  walls: [{ from: { x: 2, y: 0 }, to: { x: 2, y: 6 }, material: 'brick', ...more }],
});
const opening = (kind: Opening['kind'], more: Partial<Opening> = {}): Opening => ({
  ...{ kind, along: 2, width: 1, bottom: 0, top: 2 },
  ...more,
});
const at = (x: number, y: number, z?: number): RaisedPoint => ({
  ...{ x, y },
  ...(z === undefined ? {} : { z }),
});

describe('what a straight way meets of a wall', () => {
  // Straight across at y = 2.5 it goes through the opening from 2 m to 3 m; at y = 1 beside it.
  it.each([
    ['the wall beside an opening', { openings: [opening('gap')] }, at(0, 1), at(4, 1), ['brick']],
    ['nothing in a gap', { openings: [opening('gap')] }, at(0, 2.5), at(4, 2.5), []],
    ['boards in a door', { openings: [opening('door')] }, at(0, 2.5), at(4, 2.5), ['wood']],
    ['glass in a window', { openings: [opening('window')] }, at(0, 2.5), at(4, 2.5), ['glass']],
    [
      'the wall over a door',
      { openings: [opening('door')] },
      at(0, 2.5, 2.1),
      at(4, 2.5, 2.1),
      ['brick'],
    ],
    [
      'the wall under a window',
      { openings: [opening('window', { bottom: 1 })] },
      at(0, 2.5, 0.5),
      at(4, 2.5, 0.5),
      ['brick'],
    ],
    ['nothing over a low wall', { height: 1 }, at(0, 1, 2), at(4, 1, 2), []],
    // Half-way it is 1.5 m high.
    ['a wall that it comes down behind', { height: 1.6 }, at(0, 1, 3), at(4, 1, 0), ['brick']],
    ['nothing where it comes down over it', { height: 1.4 }, at(0, 1, 3), at(4, 1, 0), []],
    ['a low wall where heights are not told', { height: 1 }, at(0, 1), at(4, 1, 2), ['brick']],
    ['nothing beyond its end', {}, at(0, 6.5), at(4, 6.5), []],
    ['what nobody has said', { material: undefined }, at(0, 1), at(4, 1), ['unknown']],
  ])('%s', (_, more, a, b, met) => {
    expect(materialsBetween(wall(more), a, b)).toEqual(met);
    expect(materialsBetween(wall(more), b, a)).toEqual(met);
  });

  it('the way crosses where both lines say: a·(1 − s) + b·s lies on the other', () => {
    const coordinate = fc.double({ min: -9, max: 9, noNaN: true });
    const point = fc.record({ x: coordinate, y: coordinate });
    fc.assert(
      fc.property(point, point, point, point, (from, to, c, d) => {
        fc.pre(meets(from, to, { from: c, to: d }));
        const s = crossedAt({ from, to }, { from: c, to: d });
        fc.pre(Number.isFinite(s));
        const [x, y] = [from.x + s * (to.x - from.x), from.y + s * (to.y - from.y)];
        const across = (d.x - c.x) * (y - c.y) - (d.y - c.y) * (x - c.x);
        expect(Math.abs(across)).toBeLessThan(1e-6);
      }),
    );
  });

  it('light comes through a pane weakened, not through a door, and freely through a gap; warmth through a gap alone', () => {
    const left = (kind: Opening['kind'], quantity: 'light' | 'heat' | 'sound') =>
      throughWalls(wall({ openings: [opening(kind)] }), at(0, 2.5), at(4, 2.5), quantity);
    expect(['gap', 'window', 'door'].map((k) => left(k as Opening['kind'], 'light'))).toEqual([
      1, 0.85, 0,
    ]);
    expect(['gap', 'window', 'door'].map((k) => left(k as Opening['kind'], 'heat'))).toEqual([
      1, 0, 0,
    ]);
    // 30 dB of glass and 22 dB of boards, as pressures.
    expect(left('window', 'sound')).toBeCloseTo(10 ** (-30 / 20), 9);
    expect(left('door', 'sound')).toBeCloseTo(10 ** (-22 / 20), 9);
  });
});

describe('where nobody goes', () => {
  it.each([
    ['a plain wall', [], [[0, 6]]],
    [
      'a wall with a door',
      [opening('door')],
      [
        [0, 2],
        [3, 6],
      ],
    ],
    ['a wall with a window', [opening('window')], [[0, 6]]],
    ['a wall with a hatch too high to step through', [opening('gap', { bottom: 0.8 })], [[0, 6]]],
    ['a door at its end', [opening('door', { along: 5 })], [[0, 5]]],
    ['a door beyond its end', [opening('door', { along: 5.5, width: 3 })], [[0, 5.5]]],
    [
      'two doors that overlap',
      [opening('door'), opening('gap', { along: 2.5 })],
      [
        [0, 2],
        [3.5, 6],
      ],
    ],
    ['nothing but a gap', [opening('gap', { along: 0, width: 6 })], []],
  ])('%s', (_, openings, pieces) => {
    const found = barriersOf(wall({ openings }));
    expect(found.map(({ from, to }) => [from.y, to.y])).toEqual(pieces);
    expect(found.every(({ from, to }) => from.x === 2 && to.x === 2)).toBe(true);
  });
});

it('one comes in through a wall where an entrance stands on it, and nowhere else', () => {
  const open = {
    ...wall(),
    entrances: [
      { x: 2.2, y: 3 },
      { x: 5, y: 1 },
    ],
  };
  const found = barriersOf(open).map(({ from, to }) =>
    [from.y, to.y].map((y) => Number(y.toFixed(9))),
  );
  expect(found).toEqual([
    [0, 2.6],
    [3.4, 6],
  ]);
  // Nothing is seen through it for that.
  expect(materialsBetween(open, at(0, 3), at(4, 3))).toEqual(['brick']);
});

describe('trees', () => {
  const tree = (height: number) => ({ trees: [{ at: { x: 5, y: 0 }, radius: 2, height }] });

  it('are gone through along a chord: 2·√(r² − d²), all of it that lies on the way', () => {
    fc.assert(
      fc.property(fc.double({ min: -1.9, max: 1.9, noNaN: true }), (y) => {
        const chord = 2 * Math.sqrt(4 - y * y);
        expect(leavesBetween(tree(9), at(0, y), at(10, y))).toBeCloseTo(chord, 9);
        expect(leavesBetween(tree(9), at(0, y), at(5, y))).toBeCloseTo(chord / 2, 9);
      }),
    );
    expect(leavesBetween(tree(9), at(0, 2), at(10, 2))).toBe(0);
    expect(withinCircle(at(1, 1), at(1, 1), at(1, 1), 3)).toBeUndefined();
  });

  it('hide what is seen and let sound by; over a low one all is seen', () => {
    const through = (height: number, quantity: 'heat' | 'sound', z?: number) =>
      throughWalls({ walls: [], ...tree(height) }, at(0, 0, z), at(10, 0, z), quantity);
    expect([through(9, 'heat'), through(9, 'sound'), through(1, 'heat', 1.5)]).toEqual([0, 1, 1]);
  });
});

describe('heights', () => {
  const place = { x: 0, y: 0, facing: 0, z: 3 };

  it.each([
    // A ladder of 3, 4 and 5.
    ['level', 0, at(4, 0, 0), 5, (Math.atan2(3, 4) * 180) / Math.PI],
    ['looking at it', (Math.atan2(3, 4) * 180) / Math.PI, at(4, 0, 0), 5, 0],
    ['looking straight down', 90, at(0, 0, 0), 3, 0],
    [
      'looking straight down at what is aside',
      90,
      at(4, 0, 0),
      5,
      (Math.atan2(4, 3) * 180) / Math.PI,
    ],
    ['looking up at what is as high', -30, at(4, 0, 3), 4, 30],
  ])('%s', (_, tilt, point, distance, angle) => {
    const sight = sightOf({ ...place, tilt }, point);
    expect(sight.distance).toBeCloseTo(distance, 9);
    expect(sight.angle).toBeCloseTo(angle, 5);
  });

  it('one that is not told leaves all level, as on the plan alone', () => {
    const flat = sightOf({ x: 0, y: 0, facing: 0 }, at(4, 3));
    expect(sightOf({ ...place, tilt: 40 }, at(4, 3))).toEqual(flat);
    expect(sightOf({ x: 0, y: 0, facing: 0 }, at(4, 3, 9))).toEqual(flat);
  });

  it('turning place and point together changes nothing', () => {
    const angle = fc.double({ min: -180, max: 180, noNaN: true });
    const length = fc.double({ min: 0.5, max: 9, noNaN: true });
    fc.assert(
      fc.property(angle, angle, length, length, (turn, tilt, far, z) => {
        const to = (degrees: number): Point => ({
          x: far * Math.cos((degrees * Math.PI) / 180),
          y: far * Math.sin((degrees * Math.PI) / 180),
        });
        const before = sightOf({ ...place, tilt }, { ...to(20), z });
        const after = sightOf({ ...place, facing: turn, tilt }, { ...to(20 + turn), z });
        expect(after.angle).toBeCloseTo(before.angle, 5);
        expect(after.distance).toBeCloseTo(before.distance, 9);
      }),
    );
  });
});
