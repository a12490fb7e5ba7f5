import fc from 'fast-check';
import type { Baseline, Channel, LearntBaseline } from '../design/index.js';
import { levelsOf } from '../logic/index.js';
import { inUnit, usualLearnt, withBaseline } from './rebase.js';

const channel = (change: Partial<Channel>): Channel => ({
  id: 'ch1',
  name: 'A0',
  pin: 'U1.A0',
  trips: 'above',
  threshold: 0,
  hysteresis: 0,
  every: 0.1,
  hits: 1,
  misses: 1,
  ...change,
});
const kinds = fc.constantFrom<Baseline['kind'] | undefined>('fixed', 'learnt', undefined);

it('leaves the level where it is, whatever it is measured from', () => {
  fc.assert(
    fc.property(
      fc.constantFrom('above' as const, 'below' as const),
      fc.integer({ min: 100, max: 900 }),
      fc.integer({ min: 0, max: 90 }),
      fc.array(kinds, { minLength: 1, maxLength: 4 }),
      (trips, rest, away, steps) => {
        const level = rest + (trips === 'above' ? away : -away);
        let now = channel({ trips, threshold: level, hysteresis: 7 });
        for (const kind of steps) {
          const { baseline: _before, ...bare } = now;
          now = { ...bare, ...withBaseline(now, kind, rest) };
          expect(now.baseline?.kind).toBe(kind);
          const [{ trip }] = levelsOf(now, now.baseline ? rest : undefined);
          expect(trip).toBe(level);
        }
      },
    ),
  );
});

it('a channel without a baseline has two sides only', () => {
  const away = { trips: 'away' as const, threshold: 40, hysteresis: 4, baseline: usualLearnt };
  expect(withBaseline(away, undefined, 500)).toEqual({
    trips: 'above',
    threshold: 540,
    hysteresis: 4,
  });
});

it.each<[LearntBaseline['unit'], number, number, number, number[] | undefined]>([
  // 40 counts of 500 are 8 %; 8 % of 500 are 40 counts.
  ['per cent', 40, 5, 500, [8, 1]],
  ['counts', 8, 1, 500, [40, 5]],
  // Less than one step of either unit still is a distance.
  ['per cent', 2, 0, 1000, [1, 0]],
  ['per cent', 40, 5, 0, undefined],
  ['counts', 40, 5, 0, undefined],
])('in %s: %d and %d at a rest of %d', (unit, threshold, hysteresis, rest, levels) => {
  const from = unit === 'counts' ? ('per cent' as const) : ('counts' as const);
  const found = inUnit({ threshold, hysteresis }, { ...usualLearnt, unit: from }, unit, rest);
  expect(found && [found.threshold, found.hysteresis]).toEqual(levels);
  if (found) expect(found.baseline).toEqual({ ...usualLearnt, unit });
});

it('leaves a unit it is in already', () => {
  const as = { threshold: 3, hysteresis: 1 };
  expect(inUnit(as, usualLearnt, 'counts', 0)).toEqual({ ...as, baseline: usualLearnt });
});
