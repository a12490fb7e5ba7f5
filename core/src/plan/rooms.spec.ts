import fc from 'fast-check';
import { intersection, union, type Polygon } from 'polygon-clipping';
import { emptyDesign, type Design, type Opening, type Plan, type Point } from '../design/index.js';
import { quietScene } from '../rehearsal/index.js';
import { crossesItself, isWithin, outlineArea, planProblems } from '../scene/index.js';
import { blindPath, coverage, type Area } from './index.js';
import { mat, onPlan, person, watched } from './testing/watched.js';

const corners = (...points: [number, number][]): Point[] => points.map(([x, y]) => ({ x, y }));
const asPolygon = (outline: readonly Point[]): Polygon => [outline.map(({ x, y }) => [x, y])];
/** Area of what polygon-clipping 0.15 gives, holes taken away. */
const areaOf = (polygons: ReturnType<typeof union>): number =>
  polygons
    .flatMap((rings) =>
      rings.map((ring, i) => {
        const area = outlineArea(ring.map(([x, y]) => ({ x, y })));
        return i === 0 ? area : -area;
      }),
    )
    .reduce((a, b) => a + b, 0);
const disc = (x: number, y: number, r: number): Polygon => [
  Array.from({ length: 720 }, (_, i) => {
    const a = (i * Math.PI) / 360;
    return [x + r * Math.cos(a), y + r * Math.sin(a)];
  }),
];
const withPlan = (design: Design, more: Partial<Plan>): Design => ({
  ...design,
  plan: { ...design.plan, ...more },
});
const seen = ({ once, twice }: Area): number => once + twice;

describe('outlines', () => {
  const l = corners([0, 0], [4, 0], [4, 1], [1, 1], [1, 3], [0, 3]);
  const bow = corners([0, 0], [2, 2], [2, 0], [0, 2]);

  it('have the area that polygon-clipping and addition give', () => {
    expect(outlineArea(l)).toBe(4 * 1 + 1 * 2);
    const [room, other] = [l, corners([2, -1], [6, -1], [6, 4], [2, 4])];
    const common = areaOf(intersection(asPolygon(room), asPolygon(other)));
    expect(areaOf(union(asPolygon(room), asPolygon(other)))).toBeCloseTo(
      outlineArea(room) + outlineArea(other) - common,
      9,
    );
    expect(common).toBe(2);
  });

  it('a point is within where polygon-clipping finds a small square around it within', () => {
    const coordinate = fc.integer({ min: -5, max: 45 }).map((v) => v / 10 + 0.05);
    fc.assert(
      fc.property(coordinate, coordinate, (x, y) => {
        const [a, b] = [x - 0.01, y - 0.01];
        const square = corners([a, b], [a + 0.02, b], [a + 0.02, b + 0.02], [a, b + 0.02]);
        const common = areaOf(intersection(asPolygon(l), asPolygon(square)));
        expect(isWithin(l, { x, y })).toBe(common > 2e-4);
      }),
    );
  });

  it('that cross themselves are told from those that do not', () => {
    expect([l, bow, corners([0, 0], [1, 0], [0, 1])].map(crossesItself)).toEqual([
      false,
      true,
      false,
    ]);
  });
});

describe('ground that is noticed, by room', () => {
  it('of a mat that lies half in a room is the part of its circle that polygon-clipping finds in it', () => {
    const rooms = [
      { name: 'Left', outline: corners([0, 0], [1.2, 0], [1.2, 2], [0, 2]) },
      { name: 'Right', outline: corners([1.2, 0], [2, 0], [2, 2], [1.2, 2]) },
      { name: 'Bow', outline: corners([0, 0], [2, 2], [2, 0], [0, 2]) },
    ];
    const design = withPlan(onPlan(mat(1, 1), 2, 2), { rooms });
    const found = coverage(design, quietScene, person);
    expect(found?.rooms.map(({ name }) => name)).toEqual(['Left', 'Right']);
    for (const { name, area } of found?.rooms ?? []) {
      const outline = rooms.find((room) => room.name === name)?.outline ?? [];
      const exact = areaOf(intersection(disc(1, 1, 0.5), asPolygon(outline)));
      expect(seen(area) / exact).toBeCloseTo(1, 1);
      expect(seen(area) + area.never + area.byTheWay).toBeCloseTo(outlineArea(outline), 1);
    }
    const parts = found?.rooms.map(({ area }) => seen(area)) ?? [];
    expect(parts.reduce((a, b) => a + b, 0)).toBeCloseTo(seen(found?.area as Area), 9);
  });
});

describe('heights and openings in what is noticed', () => {
  const ranger = watched('ultrasonic-ranger', { x: 0, y: 2, facing: 0 }, { far: 1.5 });
  const noticed = (design: Design, thing = person): number =>
    seen(coverage(design, quietScene, thing)?.area as Area);
  const raised = (z: number, tilt = 0): Design => ({
    ...ranger,
    parts: ranger.parts.map((p) => (p.place ? { ...p, place: { ...p.place, z, tilt } } : p)),
  });
  const on = (design: Design, walls: Plan['walls'] = []): Design => ({
    ...design,
    plan: { width: 5, depth: 4, walls },
  });

  it('a sensor as high as a chest notices a person as before; far over his head it notices nobody', () => {
    expect(noticed(on(raised(1)))).toBeCloseTo(noticed(on(ranger)), 9);
    expect(noticed(on(raised(6)))).toBe(0);
    expect(noticed(on(raised(2.5, 60)))).toBeGreaterThan(0);
  });

  it('over a low wall as much is noticed as without it; through a door nothing, through a gap what lies behind it', () => {
    const wall = { from: { x: 0.5, y: 0 }, to: { x: 0.5, y: 4 } };
    const open: Opening = { kind: 'gap', along: 1.5, width: 1, bottom: 0, top: 2 };
    const free = noticed(on(raised(1.5)));
    expect(noticed(on(raised(1.5), [{ ...wall, height: 1.2 }]))).toBeCloseTo(free, 9);
    const behind = noticed(on(raised(1), [{ ...wall, openings: [open] }]));
    expect(behind).toBeCloseTo(noticed(on(raised(1))), 1);
    const closed = noticed(on(raised(1), [{ ...wall, openings: [{ ...open, kind: 'door' }] }]));
    expect(closed).toBeLessThan(behind / 3);
  });

  it('the easiest way goes through the door, not through the window, and there is none past a plain wall', () => {
    const wall = { from: { x: 2.5, y: 0 }, to: { x: 2.5, y: 4 } };
    const way = (kind?: 'door' | 'window') =>
      blindPath(
        on({ ...emptyDesign('Way') }, [
          {
            ...wall,
            openings: kind ? [{ ...{ kind, along: 3, width: 0.8 }, bottom: 0, top: 2 }] : [],
          },
        ]),
        quietScene,
        person,
        [{ x: 0.5, y: 0.5 }],
        { x: 4.5, y: 0.5 },
      );
    expect(way()).toBeUndefined();
    expect(way('window')).toBeUndefined();
    const through = way('door');
    // To the near edge of the door, y = 3, and back: 2·√(2² + 2.5²); at most one step of the grid farther.
    expect(through?.length).toBeGreaterThanOrEqual(2 * Math.hypot(2, 2.5));
    expect(through?.length).toBeLessThanOrEqual(2 * Math.hypot(2, 2.6) + 1e-9);
  });
});

it('tells what of a plan makes no sense, of what, why and what to do', () => {
  const wall = (openings: [number, number, number, number][], height?: number) => ({
    ...{ from: { x: 0, y: 0 }, to: { x: 4, y: 0 } },
    ...(height === undefined ? {} : { height }),
    openings: openings.map(([along, width, bottom, top]) => ({
      ...{ kind: 'door' as const, along, width, bottom, top },
    })),
  });
  const plan = {
    ...{ width: 12, depth: 8 },
    rooms: [
      { name: 'Bow', outline: corners([0, 0], [2, 2], [2, 0], [0, 2]) },
      { name: 'Line', outline: corners([0, 0], [1, 1], [2, 2]) },
      { name: 'Good', outline: corners([0, 0], [1, 0], [0, 1]) },
    ],
    walls: [
      wall([[3.5, 1, 0, 2]]),
      wall([
        [1, 1, 0, 2],
        [1.5, 1, 0, 2],
      ]),
      wall([[1, 1, 2, 2]]),
      wall([[1, 1, 0, 2]], 1.5),
      { from: { x: 1, y: 1 }, to: { x: 1, y: 1 } },
      wall([[1, 1, 0, 2]], 2),
    ],
  };
  const told = planProblems(plan).map(({ of: { list, index }, reason }) => [
    `${list} ${index}`,
    reason,
  ]);
  expect(told).toEqual([
    ['rooms 0', 'Its outline crosses itself, so that it has no area'],
    ['rooms 1', 'Its corners lie on one line, so that it has no area'],
    ['walls 0', 'Its door goes beyond its end'],
    ['walls 1', 'Its door and its door overlap'],
    ['walls 2', 'The top of its door is not above its bottom'],
    ['walls 3', 'Its door is higher than the wall'],
    ['walls 4', 'It has no length'],
  ]);
});
