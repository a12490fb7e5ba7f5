/** A touch chip takes what lies on it for surroundings in the end: against the closed form of its lag. */
import { brief, placed, sceneOf } from '../testing/small.js';
import { rehearse } from './rehearse.js';

const least = 2e-12;

/** A lamp at a touch module that learns anew within 30 s; when it goes on and off while fingers rest on it. */
function lit(
  fingers: { start: number; lasts: number; farads?: number }[],
  seconds: number,
  path: 'time' | 'fast' = 'time',
) {
  const design = placed(
    brief(
      `adapter G volts=5 ohms=0.01, touch-module B least=${least} recalibrates=30, resistor R ohms=330, led H`,
      'G.plus B.VCC, G.minus B.GND, B.OUT R.a, R.b H.a, H.k G.minus',
    ),
  );
  const scene = sceneOf(
    seconds,
    ...fingers.map(({ start, lasts, farads = 10e-12 }) => ({
      kind: 'finger-touches',
      start,
      params: { lasts, farads },
    })),
  );
  return rehearse(design, scene, undefined, path)
    .acting.filter((a) => a.part === 'H')
    .map((a) => a.t);
}

it.each([6e-12, 10e-12, 30e-12])(
  'a touch of %d F is forgotten after τ·ln of what it stands out by',
  (farads) => {
    const [on, off, ...more] = lit([{ start: 2, lasts: 90, farads }], 60);
    expect(on - 2).toBeLessThan(0.1);
    // The limit is 1 + x·(1 − e^(−t/τ)) of what it answers from, a fifth less going off; τ a third of 30 s.
    const x = farads / least;
    expect(off - 2).toBeCloseTo(10 * Math.log(x / 0.8), 0);
    expect(off - 2).toBeLessThan(30);
    expect(more).toEqual([]);
  },
);

it('short touches are told one by one', () => {
  const starts = [2, 6, 10, 14];
  const on = lit(
    starts.map((start) => ({ start, lasts: 0.3 })),
    20,
  ).filter((_, i) => i % 2 === 0);
  expect(on.map(Math.floor)).toEqual(starts);
});

it('after a long rest of the hand a feeble touch is missed for a while, and told again later', () => {
  const feeble = { lasts: 0.5, farads: 5e-12 };
  const long = { start: 2, lasts: 40, farads: 20e-12 };
  const times = lit([long, { start: 44, ...feeble }, { start: 80, ...feeble }], 90);
  expect(times.some((t) => t > 43 && t < 46)).toBe(false);
  expect(times.some((t) => t > 80 && t < 81)).toBe(true);
});

it('looked at as settled, a finger on it is one that has just come', () => {
  const [on, off] = lit([{ start: 2, lasts: 90 }], 60, 'fast');
  expect([on, off]).toEqual([expect.closeTo(2, 1), undefined]);
});
