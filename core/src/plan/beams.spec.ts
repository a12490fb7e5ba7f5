import fc from 'fast-check';
import type { Design, Scene } from '../design/index.js';
import { quietScene, rehearse } from '../rehearsal/index.js';
import { demo } from '../testing/demo.js';
import { beamPairs, beamsOf } from './index.js';

const stairs = demo('loft-stairs');

/** Someone thin goes up through both beams at a speed; when each channel first trips, s. */
function crossed(design: Design, speed: number, begins: number): { low: number; high: number } {
  const scene: Scene = {
    ...quietScene,
    duration: 1.5 + 4 / speed,
    happenings: [
      {
        ...{ id: 'h1', name: 'Up', kind: 'crossing', intent: 'wanted', start: begins },
        params: { speed, width: 0.4 },
        path: [
          { x: 0.6, y: 1 },
          { x: 0.6, y: 3.5 },
        ],
      },
    ],
  };
  const { logic } = rehearse(design, scene, undefined, 'time');
  const first = (id: string): number =>
    logic.find((l) => l.logic.channels[id]?.tripped)?.t ?? Infinity;
  return { low: first('low'), high: first('high') };
}

it('are the receivers that a lamp shines into, and lie as far apart as on the plan', () => {
  expect(beamsOf(stairs).map((b) => b.name)).toEqual([
    'Lower beam receiver',
    'Upper beam receiver',
  ]);
  const [pair, ...more] = beamPairs(stairs);
  expect(more).toEqual([]);
  expect(pair?.apart).toBeCloseTo(0.15, 9);
  // Two readings in a row each 10 ms against one: 15 cm in 10 ms; three to clear at 1.3 m/s.
  expect(pair?.fastest).toBeCloseTo(15, 6);
  expect(pair?.gap).toBeCloseTo(0.039, 9);
});

it('a lamp that is turned away, or moved to the side, shines into none', () => {
  const turned = (facing: number): Design => ({
    ...stairs,
    parts: stairs.parts.map((p) =>
      p.id === 'E1' && p.place ? { ...p, place: { ...p.place, facing } } : p,
    ),
  });
  expect(beamsOf(turned(19))).toHaveLength(2);
  expect(beamsOf(turned(90))).toHaveLength(1);
  expect(beamPairs(turned(90))).toEqual([]);
});

it('crossed beams are no pair', () => {
  const across: Design = {
    ...stairs,
    parts: stairs.parts.map((p) => {
      if (p.id === 'E2') return { ...p, place: { x: 0.6, y: 0, facing: 90 } };
      return p.id === 'B2' ? { ...p, place: { x: 0.6, y: 4, facing: -90 } } : p;
    }),
  };
  expect(beamsOf(across)).toHaveLength(2);
  expect(beamPairs(across)).toEqual([]);
});

it('below the speed that is told, a rehearsal in time never has the order wrong, however the readings fall', () => {
  const [{ fastest } = { fastest: NaN }] = beamPairs(stairs);
  fc.assert(
    fc.property(
      fc.double({ min: 0.5, max: fastest - 0.1, noNaN: true }),
      fc.double({ min: 0.5, max: 0.6, noNaN: true }),
      (speed, begins) => {
        const { low, high } = crossed(stairs, speed, begins);
        expect(low).toBeLessThan(high);
      },
    ),
    { numRuns: 12 },
  );
});

it('far above it both trip at the same reading: there is no order to be told', () => {
  const { low, high } = crossed(stairs, 19, 0.503);
  expect(high - low).toBeLessThan(0.0101);
});
