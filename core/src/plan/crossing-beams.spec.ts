import type { Design, Place } from '../design/index.js';
import { channel, onBoard, pins } from '../testing/small.js';
import { crossingBeams } from './index.js';

type Ends = readonly [x1: number, y1: number, x2: number, y2: number];

/** Beams from one end to another, each with a lamp that looks at its receiver and back. */
function beams(...ends: Ends[]): Design {
  const parts = ends.flatMap((_, i) => [`infrared-emitter E${i}`, `phototransistor B${i}`]);
  const wires = ends.flatMap((_, i) => [`B${i}.c U.A${i}`, `B${i}.e U.GND`]);
  const design = onBoard(parts.join(', '), wires.join(', '), {
    ...pins(...ends.map((_, i) => `U.A${i} analogue`)),
    channels: ends.flatMap((_, i) => channel(`U.A${i}`, { id: `c${i}` }).channels),
  });
  const looking = (x: number, y: number, tx: number, ty: number): Place => ({
    ...{ x, y },
    facing: (Math.atan2(ty - y, tx - x) * 180) / Math.PI,
  });
  const places = new Map(
    ends.flatMap(([x1, y1, x2, y2], i): [string, Place][] => [
      [`E${i}`, looking(x1, y1, x2, y2)],
      [`B${i}`, looking(x2, y2, x1, y1)],
    ]),
  );
  return {
    ...design,
    parts: design.parts.map((p) => ({ ...p, place: places.get(p.id) })),
  };
}
const lying = (y: number): Ends => [0, y, 6, y];
const standing = (x: number): Ends => [x, 0, x, 5];

it('beams that do not cross tell nothing', () => {
  expect(crossingBeams(beams(lying(1), lying(2)))).toBeUndefined();
  expect(crossingBeams(beams(lying(4), [3, 0, 3, 2]))).toBeUndefined();
});

it('two that cross tell one place', () => {
  const found = crossingBeams(beams(lying(2), standing(3)));
  expect(found?.crossings.map(({ at }) => at)).toEqual([{ x: 3, y: 2 }]);
  expect(found?.apart).toBeUndefined();
  expect(found?.alike).toEqual([]);
});

it('two by two are four places, a metre and two apart, and two people look like the two at the other corners', () => {
  const found = crossingBeams(beams(lying(1), lying(2), standing(1), standing(3)));
  expect(found?.crossings.map(({ at: { x, y } }) => [x, y])).toEqual([
    [1, 1],
    [3, 1],
    [1, 2],
    [3, 2],
  ]);
  expect(found?.apart).toBe(1);
  const corners = found?.alike.map(({ people, ghosts }) =>
    [people, ghosts].map((two) => two.map(({ at }) => [at.x, at.y])),
  );
  expect(corners).toEqual([
    [
      [
        [1, 1],
        [3, 2],
      ],
      [
        [3, 1],
        [1, 2],
      ],
    ],
  ]);
});

it('m by n have m·n crossings, and (m over 2)·(n over 2) pairs of pairs that look alike', () => {
  const found = crossingBeams(
    beams(lying(1), lying(2), lying(3), standing(1), standing(2), standing(4)),
  );
  expect(found?.crossings.length).toBe(9);
  expect(found?.alike.length).toBe(3 * 3);
  for (const { people, ghosts } of found?.alike ?? []) {
    const broken = (two: readonly { of: readonly { name: string }[] }[]): string[] =>
      two.flatMap(({ of }) => of.map((b) => b.name)).sort();
    expect(broken(people)).toEqual(broken(ghosts));
    expect(new Set(broken(people)).size).toBe(4);
  }
});
