import type { Channel, Design } from '../design/index.js';
import { applyEdit } from '../design/index.js';
import { slipwayBeam } from '../testing/demo.js';
import { rehearse, seededRandom, snapshot, valueAt } from './index.js';

const withChannel = (change: Partial<Channel>): Design => {
  const design = slipwayBeam();
  return applyEdit(design, { type: 'put-channel', channel: { ...design.channels[0], ...change } });
};
const play = (design: Design) => rehearse(design, design.scenes[0]);
const outcomes = (design: Design): string[] => play(design).verdicts.map((v) => v.outcome);
const reasons = (design: Design): string =>
  play(design)
    .verdicts.map((v) => v.because)
    .join(' ');

describe('the slipway beam', () => {
  it('notices the walker and lets the gull pass', () => {
    const { verdicts, spurious } = play(slipwayBeam());
    expect(verdicts.map((v) => v.outcome)).toEqual(['quiet', 'noticed']);
    expect(spurious).toEqual([]);
    // Five readings 10 ms apart must agree after the shadow has deepened: 40 ms and a bit.
    expect(verdicts[1].delay).toBeGreaterThan(0.04);
    expect(verdicts[1].delay).toBeLessThan(0.08);
  });

  it('is the same for the same seed, and not for another', () => {
    const design = slipwayBeam();
    const again = { ...design.scenes[0], seed: 12 };
    expect(play(design)).toEqual(play(slipwayBeam()));
    expect(rehearse(design, again).readings).not.toEqual(play(design).readings);
  });

  const changes: [string, () => Design, string[], RegExp][] = [
    [
      'one hit is enough',
      () => withChannel({ hits: 1 }),
      ['fired falsely', 'noticed'],
      /Sounder was sounding/,
    ],
    [
      'the line is out of reach',
      () => withChannel({ trips: 'above', threshold: 900 }),
      ['quiet', 'missed'],
      /trips above 900/,
    ],
    [
      'too many hits are wanted',
      () => withChannel({ hits: 100 }),
      ['quiet', 'missed'],
      /needs 100/,
    ],
    [
      'the sounder has no feed',
      () => applyEdit(slipwayBeam(), { type: 'remove-wire', id: 'w14' }),
      ['quiet', 'missed'],
      /tripped, but nothing acted/,
    ],
    [
      'the beam looks away',
      () =>
        applyEdit(slipwayBeam(), {
          type: 'place-part',
          id: 'E1',
          place: { x: 0, y: 3, facing: 90 },
        }),
      ['quiet', 'noticed'],
      /already|first felt|No sensor felt it/,
    ],
  ];
  it.each(changes.slice(0, 4))('says why when %s', (_, change, expected, because) => {
    expect(outcomes(change())).toEqual(expected);
    expect(reasons(change())).toMatch(because);
  });

  it('a beam that looks away is felt by nobody', () => {
    expect(reasons(changes[4][1]())).toMatch(/No sensor felt it/);
  });

  it('shows the picture of any moment: lantern dark before, lit after', () => {
    const design = slipwayBeam();
    const rehearsal = play(design);
    const at = (t: number) => snapshot(design, design.scenes[0], t, rehearsal);
    const fired = rehearsal.acting.find((a) => a.active)?.t ?? NaN;
    expect(at(fired - 0.02).acting['P1'].active).toBe(false);
    expect(at(fired + 0.02).acting['P1'].active).toBe(true);
    expect(at(fired + 0.02).counts['beam']).toBeLessThan(20);
  });

  it('refuses a scene that would take for ever', () => {
    const design = withChannel({ every: 1e-4 });
    expect(() => rehearse(design, { ...design.scenes[0], duration: 1e6 })).toThrow(
      /at most 2000000/,
    );
  });
});

it('an event of length d read every T is missed with probability max(0, 1 − d/T)', () => {
  // The gull's shadow at half depth lasts width/speed across the beam; readings are 100 ms apart.
  const design = withChannel({ every: 0.1, hits: 1, threshold: 411 });
  const gull = {
    ...design.scenes[0].happenings[0],
    from: { x: 2, y: 0 },
    to: { x: 2, y: 6 },
    params: { speed: 8, width: 0.4 },
  };
  const expected = 1 - 0.4 / 8 / 0.1;
  let missed = 0;
  const tries = 100;
  for (let i = 0; i < tries; i++) {
    const happenings = [{ ...gull, intent: 'wanted' as const, start: 1 + (i / tries) * 0.1 }];
    const [verdict] = rehearse(design, { ...design.scenes[0], duration: 3, happenings }).verdicts;
    if (verdict.outcome === 'missed') missed += 1;
  }
  expect(missed / tries).toBeCloseTo(expected, 1);
});

describe('random numbers', () => {
  it('are even and normal: mean and variance of 20,000 within four standard errors', () => {
    const random = seededRandom(5);
    const n = 20000;
    const sample = (draw: () => number): number[] => Array.from({ length: n }, draw);
    const mean = (xs: number[]): number => xs.reduce((a, b) => a + b, 0) / xs.length;
    const even = sample(random.uniform);
    expect(Math.abs(mean(even) - 0.5)).toBeLessThan(4 * Math.sqrt(1 / 12 / n));
    const normal = sample(random.normal);
    expect(Math.abs(mean(normal))).toBeLessThan(4 / Math.sqrt(n));
    expect(Math.abs(mean(normal.map((x) => x * x)) - 1)).toBeLessThan(4 * Math.sqrt(2 / n));
  });
});

it('a trace holds its value until the next time', () => {
  const trace = { times: [1, 2, 4], values: [10, 20, 40] };
  expect([0, 1, 1.9, 2, 3, 4, 9].map((t) => valueAt(trace, t))).toEqual([
    undefined,
    10,
    10,
    20,
    20,
    40,
    40,
  ]);
});
