import type { Part } from '../design/index.js';
import fc from 'fast-check';
import { findHappeningKind, happeningKinds } from './happenings.js';
import type { HappeningKind } from './happening-kind.js';
import { usualPath } from './usual-path.js';

const plan = { width: 12, depth: 8, walls: [] };
const kind = (name: string): HappeningKind => {
  const found = findHappeningKind(name);
  if (!found) throw new Error(name);
  return found;
};
const part = (id: string, of: string, x: number, y: number): Part => ({
  id,
  kind: of,
  name: id,
  params: {},
  place: { x, y, facing: 0 },
});
const parts = [part('K1', 'push-button', 2, 1), part('B1', 'phototransistor', 6, 5)];

it.each<[string, readonly Part[], object | undefined]>([
  ['rain', parts, undefined],
  ['footstep', parts, [{ x: 2, y: 1 }]],
  // Nobody here feels a knock: amid the parts.
  ['knock', parts, [{ x: 4, y: 3 }]],
  ['knock', [], [{ x: 6, y: 4 }]],
  [
    'crossing',
    parts,
    [
      { x: 4, y: 0 },
      { x: 4, y: 6 },
    ],
  ],
  [
    'crossing',
    [],
    [
      { x: 6, y: 1 },
      { x: 6, y: 7 },
    ],
  ],
])('%s', (name, among, path) => {
  expect(usualPath({ parts: [...among], plan }, kind(name))).toEqual(path);
});

it('whatever passes goes from one point to another within the plan, wherever its sensor stands and looks', () => {
  const paths = happeningKinds.filter((k) => k.where === 'path');
  const spot = fc.record({
    x: fc.double({ min: 0, max: 12, noNaN: true }),
    y: fc.double({ min: 0, max: 8, noNaN: true }),
    facing: fc.integer({ min: -180, max: 180 }),
  });
  fc.assert(
    fc.property(spot, fc.constantFrom(...paths), (place, passing) => {
      const sensor: Part = { ...part('B1', 'pyroelectric-module', 0, 0), place };
      const [from, to] = usualPath({ parts: [sensor], plan }, passing) ?? [];
      expect([from.x, from.y]).not.toEqual([to.x, to.y]);
      for (const { x, y } of [from, to]) {
        expect(x).toBeGreaterThanOrEqual(0);
        expect(x).toBeLessThanOrEqual(plan.width);
        expect(y).toBeGreaterThanOrEqual(0);
        expect(y).toBeLessThanOrEqual(plan.depth);
      }
    }),
  );
});
