import fc from 'fast-check';
import { overlap } from '@yurei/core/picture';
import { placeNames } from './site-labels';

const frame = { width: 600, height: 300 };
const boxAt = ({ x, y }: { x: number; y: number }, width: number) => ({
  x,
  y: y - 11,
  width,
  height: 13,
});

it('names of things that stand apart are clear of each other and of what is taken', () => {
  const named = fc.uniqueArray(
    fc.record({
      x: fc.integer({ min: 1, max: 4 }),
      y: fc.integer({ min: 1, max: 5 }),
      width: fc.integer({ min: 10, max: 110 }),
    }),
    { maxLength: 10, selector: ({ x, y }) => `${x} ${y}` },
  );
  fc.assert(
    fc.property(named, (all) => {
      const things = all.map(({ x, y, width }, i) => ({
        key: String(i),
        at: { x: 120 * x, y: 50 * y },
        width,
      }));
      const taken = things.map(({ at }) => ({ x: at.x - 6, y: at.y - 6, width: 12, height: 12 }));
      const places = placeNames(things, taken, [], frame);
      const boxes = things.map(({ key, width }) =>
        boxAt(places.get(key) ?? { x: NaN, y: NaN }, width),
      );
      boxes.forEach((a, i) => {
        expect(taken.filter((b) => overlap(a, b))).toEqual([]);
        expect(boxes.slice(i + 1).filter((b) => overlap(a, b))).toEqual([]);
      });
    }),
  );
});

it('four at one spot stand around it', () => {
  const at = { x: 300, y: 150 };
  const things = ['B1', 'B2', 'E1', 'E2'].map((key) => ({ key, at, width: 14 }));
  const places = placeNames(things, [{ x: 294, y: 144, width: 12, height: 12 }], [], frame);
  expect(new Set([...places.values()].map(({ x, y }) => `${x} ${y}`)).size).toBe(4);
  for (const { x, y } of places.values()) {
    expect(Math.abs(x - 300)).toBeLessThan(40);
    expect(Math.abs(y - 150)).toBeLessThan(40);
  }
});

it('a name at the edge turns inwards', () => {
  const places = placeNames([{ key: 'a', at: { x: 595, y: 10 }, width: 80 }], [], [], frame);
  expect(places.get('a')?.x).toBeLessThanOrEqual(520);
});

it('a name stands across a way only where there is no other room', () => {
  const at = { x: 100, y: 150 };
  const way = { x: 120, y: 0, width: 4, height: 300 };
  const [clear, none] = [[way], []].map(
    (crossed) => placeNames([{ key: 'a', at, width: 60 }], [], crossed, frame).get('a')?.x,
  );
  expect(none).toBe(110);
  expect(clear).toBe(30);
});
