import fc from 'fast-check';
import type { Design, Plan, Spot } from '../design/index.js';
import { sketch } from '../testing/small.js';
import { radioReach, radioWays, wantedMargin } from './index.js';

const house: Spot = { name: 'House', at: { x: 0, y: 0 }, background: 30 };
/** Radios so far along a field, m. */
const along = (at: readonly number[], walls: Plan['walls'] = []): Design => {
  const design = sketch(
    at.map((_, i) => `radio-link T${i}`),
    [],
  );
  return {
    ...design,
    plan: { width: 1e5, depth: 10, walls, spots: [house] },
    parts: design.parts.map((p, i) => ({ ...p, place: { x: at[i] ?? 0, y: 0, facing: 0 } })),
  };
};
const ways = (design: Design) =>
  Object.fromEntries([...radioWays(design, house)].map(([id, { through }]) => [id, through]));
// 120 dB less 20 dB wanted are lost in free space at 5.5 km: 20·lg(4πd/λ) = 100 dB.
const farthest = (10 ** (100 / 20) * (299_792_458 / 433.92e6)) / (4 * Math.PI);

it('what arrives needs nobody; what does not goes by as few as can be', () => {
  expect(ways(along([0.9 * farthest]))).toEqual({ T0: ['T0'] });
  expect(ways(along([1.1 * farthest]))).toEqual({});
  expect(ways(along([1.5 * farthest, 0.7 * farthest, 0.8 * farthest]))).toEqual({
    ...{ T0: ['T0', 'T2'], T1: ['T1'], T2: ['T2'] },
  });
  expect(ways(along([1.8 * farthest, 0.9 * farthest, 5 * farthest]))).toEqual({
    ...{ T0: ['T0', 'T1'], T1: ['T1'] },
  });
});

it('a wall is gone around by one who stands beside it', () => {
  const wall = { from: { x: 50, y: -5 }, to: { x: 50, y: 5 }, material: 'metal' } as const;
  const thick = [0, 1].map((i) => ({
    ...wall,
    from: { x: 50 + i, y: -5 },
    to: { x: 50 + i, y: 5 },
  }));
  const blocked = along([2000, 1000], thick);
  expect(ways(blocked)).toEqual({});
  const aside = blocked.parts.map((p) =>
    p.id === 'T1' && p.place ? { ...p, place: { ...p.place, x: 50, y: 900 } } : p,
  );
  expect(ways({ ...blocked, parts: aside })).toEqual({ T0: ['T0', 'T1'], T1: ['T1'] });
});

it('whoever passes on, passes on as he does his own: no message comes back, and every leg has its margin', () => {
  const places = fc.array(fc.double({ min: 10, max: 4 * farthest, noNaN: true }), {
    ...{ minLength: 1, maxLength: 7 },
  });
  fc.assert(
    fc.property(places, (at) => {
      const design = along(at);
      const found = radioWays(design, house);
      for (const [id, { through, margin }] of found) {
        expect(new Set(through).size).toBe(through.length);
        expect(through[0]).toBe(id);
        expect(margin).toBeGreaterThanOrEqual(wantedMargin);
        // The rest of a way has as few legs as the way of whoever goes on from there.
        const [, next] = through;
        if (next !== undefined) expect(found.get(next)?.through.length).toBe(through.length - 1);
      }
      // Nobody who can be reached is left out.
      for (const part of design.parts) {
        const direct = radioReach(design, part, house)?.margin ?? -Infinity;
        if (direct >= wantedMargin) expect(found.get(part.id)?.through).toEqual([part.id]);
      }
    }),
  );
});
