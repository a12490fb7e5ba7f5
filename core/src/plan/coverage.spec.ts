import fc from 'fast-check';
import type { Design, Point } from '../design/index.js';
import { quietScene, rehearse } from '../rehearsal/index.js';
import { blindPath, centreOf, coverage, type Coverage } from './index.js';
import { dijkstra } from './dijkstra.js';
import { mat, onPlan, person, watched } from './testing/watched.js';

const crossing = { kind: 'crossing', params: { width: 0.2 } };

const covered = (design: Design, thing = person): Coverage => {
  const found = coverage(design, quietScene, thing);
  if (!found) throw new RangeError('It is at no place.');
  return found;
};
const cellAt = (c: Coverage, { x, y }: Point): number =>
  Math.floor((y / c.depth) * c.rows) * c.columns + Math.floor((x / c.width) * c.columns);

describe('areas', () => {
  it('a mat notices who is within its circle: πr²', () => {
    const { area } = covered(onPlan(mat(1, 1), 2, 2));
    expect(area.once / (Math.PI * 0.5 ** 2)).toBeCloseTo(1, 1);
    expect(area.once + area.never).toBeCloseTo(4, 9);
  });

  it('two mats whose circles overlap: the lens is noticed twice', () => {
    const one = mat(0.8, 1);
    const [first] = one.parts.filter((p) => p.kind === 'mat-capacitor');
    const second = { ...first, id: 'B9', place: { x: 1.2, y: 1, facing: 0 } };
    const wires = one.wires.filter((w) => w.from.startsWith(first.id) || w.to.startsWith(first.id));
    const again = (ref: string): string =>
      ref.startsWith(`${first.id}.`) ? ref.replace(first.id, 'B9') : ref;
    const [channel] = one.channels;
    const design: Design = {
      ...one,
      parts: [...one.parts, second],
      wires: [
        ...one.wires,
        ...wires.map((w) => ({ ...w, id: `${w.id}x`, from: again(w.from), to: again(w.to) })),
      ],
      channels: [channel, { ...channel, id: 'c9', pin: 'B9.picofarads' }],
    };
    const { area } = covered(onPlan(design, 2, 2));
    // Two circles of r, d apart: 2r²·acos(d/2r) − d/2·√(4r² − d²).
    const [r, d] = [0.5, 0.4];
    const lens = 2 * r ** 2 * Math.acos(d / (2 * r)) - (d / 2) * Math.sqrt(4 * r ** 2 - d ** 2);
    expect(area.twice / lens).toBeCloseTo(1, 1);
    expect((area.once + area.twice) / (2 * Math.PI * r ** 2 - lens)).toBeCloseTo(1, 1);
  });

  it('a ranger notices in its cone as far as its line says: a sector', () => {
    const ranger = watched('ultrasonic-ranger', { x: 0, y: 2, facing: 0 }, { far: 1.5 });
    const { area, columns, rows } = covered(onPlan(ranger, 5, 4));
    const [channel] = ranger.channels;
    // Microseconds of echo there and back at 343 m/s, and half the width of a person nearer.
    const line = ((channel.threshold * 1e-6) / 2) * 343 + 0.45 / 2;
    const [part] = ranger.parts.filter((p) => p.kind === 'ultrasonic-ranger');
    // It reaches 4 m.
    const metres = Math.min(4, line);
    const half = ((part.params['halfAngle'] ?? 15) * Math.PI) / 180;
    expect(columns * rows).toBeGreaterThan(3000);
    expect(area.once / (half * metres ** 2)).toBeCloseTo(1, 1);
  });
});

it('a motion module sees who crosses from farther than who comes straight at it', () => {
  const design = onPlan(watched('pyroelectric-module', { x: 0, y: 4, facing: 0 }), 8, 8);
  const found = covered(design);
  const ahead = (x: number): (number | undefined)[] => {
    const cell = cellAt(found, { x, y: 4 });
    return [found.perhaps[cell], found.surely[cell]];
  };
  expect([1, 2, 4, 5.5, 7].map(ahead)).toEqual([
    [1, 1],
    [1, 1],
    [1, 0],
    [1, 0],
    [0, 0],
  ]);
  expect(found.area.byTheWay).toBeGreaterThan(0.3);
});

it('behind a wall nothing is seen, and what lies between is as before', () => {
  const open = onPlan(watched('pyroelectric-module', { x: 0, y: 4, facing: 0 }), 8, 8);
  const wall: [Point, Point] = [
    { x: 2, y: 0 },
    { x: 2, y: 8 },
  ];
  const [seen, shut] = [covered(open), covered({ ...open, plan: onPlan(open, 8, 8, [wall]).plan })];
  seen.perhaps.forEach((count, i) => {
    expect(shut.perhaps[i]).toBe(centreOf(seen, i).x < 2 ? count : 0);
  });
});

it('what is at no place covers nothing', () => {
  const design = watched('loop-contact', {}, { kind: 'door-opens' });
  expect(coverage(design, quietScene, { kind: 'rain', params: {} })).toBeUndefined();
});

it('tells of a place what a rehearsal tells of someone there', () => {
  const design = onPlan(
    watched('ultrasonic-ranger', { x: 0, y: 2, facing: 0 }, { far: 1.5 }),
    4,
    4,
  );
  const found = covered(design, crossing);
  const [channel] = design.channels;
  const fast = { ...design, channels: [{ ...channel, hits: 1, every: 0.02 }] };
  fc.assert(
    fc.property(
      fc.double({ min: 0.3, max: 3.5, noNaN: true }),
      fc.double({ min: 0.5, max: 3.5, noNaN: true }),
      (x, y) => {
        // Not where a centimetre more or less decides.
        const sure = neighbours(found, { x, y });
        fc.pre(sure !== undefined);
        const path = [
          { x: x - 0.01, y },
          { x: x + 0.01, y },
        ];
        const happening = {
          ...{ id: 'h1', name: 'It', intent: 'wanted' as const, start: 1, path },
          ...{ kind: 'crossing', params: { width: 0.2, speed: 0.1 } },
        };
        const { verdicts } = rehearse(fast, {
          ...quietScene,
          duration: 4,
          happenings: [happening],
        });
        expect(verdicts[0].outcome === 'noticed').toBe(sure);
      },
    ),
    { numRuns: 25, seed: 7 },
  );
});

/** Whether all about a point is noticed, or nothing; undefined at an edge. */
function neighbours(c: Coverage, { x, y }: Point): boolean | undefined {
  const around = [-0.12, 0, 0.12].flatMap((dx) =>
    [-0.12, 0, 0.12].map((dy) => ({ x: x + dx, y: y + dy })),
  );
  const seen = new Set(around.map((p) => (c.surely[cellAt(c, p)] ?? 0) > 0));
  return seen.size === 1 ? seen.has(true) : undefined;
}

describe('blind paths', () => {
  const sized = mat(2, 2);
  const path = (design: Design, from: Point, to: Point) =>
    blindPath(design, quietScene, person, [from], to);

  it('go round a mat: the tangent way about its circle', () => {
    const found = path(onPlan(sized, 4, 4), { x: 0, y: 2 }, { x: 4, y: 2 });
    expect(found?.noticed).toBe(0);
    // Two tangents from 2 m to a circle of 0.5 m, and the arc between.
    const tangent = Math.sqrt(2 ** 2 - 0.5 ** 2);
    const least = 2 * tangent + 0.5 * (Math.PI - 2 * Math.acos(0.5 / 2));
    expect(found?.length).toBeGreaterThanOrEqual(least * 0.99);
    expect(found?.length).toBeLessThan(least * 1.04);
  });

  it('go over it where walls leave no other way, by as little as can be', () => {
    const walls: [Point, Point][] = [
      [
        { x: 2, y: -1 },
        { x: 2, y: 1.8 },
      ],
      [
        { x: 2, y: 2.2 },
        { x: 2, y: 5 },
      ],
    ];
    const found = path(onPlan(sized, 4, 4, walls), { x: 0, y: 2 }, { x: 4, y: 2 });
    expect(found?.by).toHaveLength(1);
    // Straight across it were 2·0.5 m; along the wall and through the gap at its end at least 2·(0.5 − 0.2) m.
    expect(found?.noticed).toBeGreaterThan(0.6);
    expect(found?.noticed).toBeLessThan(0.8);
  });

  it('are none where walls leave no way', () => {
    const walls: [Point, Point][] = [
      [
        { x: 2.05, y: -1 },
        { x: 2.05, y: 5 },
      ],
    ];
    expect(path(onPlan(sized, 4, 4, walls), { x: 0, y: 2 }, { x: 4, y: 2 })).toBeUndefined();
  });

  it('start from the best of several entrances', () => {
    const entrances = [
      { x: 0, y: 2 },
      { x: 4, y: 4 },
    ];
    const found = blindPath(onPlan(sized, 4, 4), quietScene, person, entrances, { x: 4, y: 3 });
    expect(found?.points[0]).toEqual({ x: 4, y: 4 });
    expect(found?.length).toBeCloseTo(1, 6);
  });
});

it('the cheapest way is that of all ways (brute force on small graphs)', () => {
  const graph = fc.array(fc.tuple(fc.nat(5), fc.nat(5), fc.nat(20)), { maxLength: 14 });
  fc.assert(
    fc.property(graph, (edges) => {
      const from = (at: number) =>
        edges.filter(([a]) => a === at).map(([, to, cost]) => ({ to, cost }));
      const costOf = (way: number[] | undefined): number =>
        way ? way.slice(1).reduce((sum, to, i) => sum + cheapest(edges, way[i], to), 0) : Infinity;
      const way = dijkstra(6, [0], 5, from, (step) => step.cost);
      expect(costOf(way)).toBe(bruteForce(edges, 0, 5, new Set([0])));
    }),
    { numRuns: 300, seed: 3 },
  );
});

type Edges = readonly [number, number, number][];
const cheapest = (edges: Edges, a: number, b: number): number =>
  Math.min(...edges.flatMap(([from, to, cost]) => (from === a && to === b ? [cost] : [])));
const bruteForce = (edges: Edges, at: number, goal: number, been: ReadonlySet<number>): number =>
  at === goal
    ? 0
    : Math.min(
        Infinity,
        ...edges.flatMap(([from, to, cost]) =>
          from === at && !been.has(to)
            ? [cost + bruteForce(edges, to, goal, new Set([...been, to]))]
            : [],
        ),
      );
