import fc from 'fast-check';
import type { Design, Place, Point } from '../design/index.js';
import { quietScene } from '../rehearsal/index.js';
import { blindPath, closingPlaces, suggestPlaces, tripPoints, type Guard } from './index.js';
import { placesToTry } from './places-to-try.js';
import { mat, onPlan, person, watched } from './testing/watched.js';

const sensorOf = (design: Design): string =>
  design.parts.find((p) => p.place)?.id ?? fail('No part stands on the plan.');
const fail = (message: string): never => {
  throw new RangeError(message);
};
const guard = (entrance: Point, guarded: Point): Guard => ({
  thing: person,
  entrances: [entrance],
  guarded,
});
const moved = (design: Design, id: string, place: Place): Design => ({
  ...design,
  parts: design.parts.map((p) => (p.id === id ? { ...p, place } : p)),
});

describe('what closes a blind path', () => {
  it.each([0.8, 1.6, 2.4])(
    'one mat is enough however wide a passage of %d m is: it lies where the ways end at the latest',
    (width) => {
      // The mat that is there lies out of the way.
      const design = onPlan(mat(0, 0), 8, width + 2, [
        [
          { x: 1.5, y: 1 },
          { x: 6.5, y: 1 },
        ],
        [
          { x: 1.5, y: 1 + width },
          { x: 6.5, y: 1 + width },
        ],
        [
          { x: 1.5, y: 0 },
          { x: 1.5, y: 1 },
        ],
        [
          { x: 1.5, y: 1 + width },
          { x: 1.5, y: 2 + width },
        ],
      ]);
      const asked = guard({ x: 1, y: 1 + width / 2 }, { x: 7.5, y: 1 + width / 2 });
      const id = sensorOf(design);
      const found = closingPlaces(design, quietScene, asked, id);
      expect(found?.places).toHaveLength(1);
      expect(found?.way?.by).not.toEqual([]);
      const [place] = found?.places ?? [];
      const { thing, entrances, guarded } = asked;
      const put = moved(design, id, place ?? fail('There is no place.'));
      const told = blindPath(put, quietScene, thing, entrances, guarded);
      expect(told?.noticed).toBeCloseTo(found?.way?.noticed ?? -1, 9);
    },
  );

  it('nothing is added where every way is noticed, or walls leave none', () => {
    const design = onPlan(watched('pyroelectric-module', { x: 0, y: 2, facing: 0 }), 4, 4);
    const id = sensorOf(design);
    const seen = guard({ x: 2, y: 0 }, { x: 2, y: 4 });
    expect(closingPlaces(design, quietScene, seen, id)?.places).toEqual([]);
    const shut = onPlan(design, 4, 4, [
      [
        { x: 0, y: 2.05 },
        { x: 4, y: 2.05 },
      ],
    ]);
    expect(closingPlaces(shut, quietScene, seen, id)).toEqual({
      places: [],
      way: undefined,
      fooledBy: [],
    });
  });

  it('nothing is promised of a sensor that does not feel who goes there', () => {
    const design = onPlan(
      watched('soil-probe', { x: 0, y: 2, facing: 0 }, { kind: 'soil-dries' }),
      4,
      4,
    );
    const asked = guard({ x: 2, y: 0 }, { x: 2, y: 4 });
    expect(closingPlaces(design, quietScene, asked, sensorOf(design))).toBeUndefined();
  });
});

describe('where a sensor is best put', () => {
  const design = onPlan(watched('pyroelectric-module', { x: 0.1, y: 5.9, facing: 90 }), 8, 6, [
    [
      { x: 3, y: 0 },
      { x: 3, y: 4 },
    ],
  ]);
  const id = sensorOf(design);
  const asked = guard({ x: 0, y: 1 }, { x: 7, y: 1 });
  const points = tripPoints(design, quietScene);
  const noticed = (place: Place): number => {
    const { thing, entrances, guarded } = asked;
    const put = moved(design, id, place);
    return blindPath(put, quietScene, thing, entrances, guarded, points)?.noticed ?? Infinity;
  };
  const found = suggestPlaces(design, quietScene, asked, [id], points);
  const [best] = found?.places ?? [];

  it('tells of the way what the plan tells once it stands there, and more than before', () => {
    expect(best && noticed(best)).toBeCloseTo(found?.way?.noticed ?? -1, 9);
    expect(found?.way?.noticed).toBeGreaterThan(1);
    expect(noticed({ x: 0.1, y: 5.9, facing: 90 })).toBe(0);
  });

  it('no other place that may be taken is better by more than the grid is coarse', () => {
    const all = placesToTry(design, id);
    fc.assert(
      fc.property(fc.nat(all.length - 1), (i) => {
        const place = all[i] as Place;
        expect(noticed(place)).toBeLessThan((found?.way?.noticed ?? 0) + 0.6);
      }),
      { numRuns: 40 },
    );
  });

  it('keeps clear of what must not be noticed where another place does nearly as well', () => {
    const cat = { kind: 'pet', params: {} };
    const path = [
      { x: 3.4, y: 0.5 },
      { x: 3.4, y: 5.5 },
    ];
    const quiet = [{ name: 'The cat', thing: cat, path }];
    const clear = suggestPlaces(design, quietScene, { ...asked, quiet }, [id], points);
    expect(clear?.fooledBy).toEqual([]);
    expect(clear?.way?.noticed).toBeGreaterThan(0.5);
    // Where it goes everywhere no place is clear of it, and that is told.
    const everywhere = [0.5, 1.5, 2.5, 3.5, 4.5, 5.5].flatMap((y, i) =>
      (i % 2 ? [7.8, 0.2] : [0.2, 7.8]).map((x) => ({ x, y })),
    );
    const hemmed = [{ name: 'The cat', thing: person, path: everywhere }];
    expect(
      suggestPlaces(design, quietScene, { ...asked, quiet: hemmed }, [id], points)?.fooledBy,
    ).toEqual(['The cat']);
  });
});
