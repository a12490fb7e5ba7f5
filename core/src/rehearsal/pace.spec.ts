import type { Design, Scene } from '../design/index.js';
import { demo } from '../testing/demo.js';
import { rehearse } from './index.js';
import { strideOf } from './pace.js';

const beam = demo('slipway-beam');
const polled = (every: number): Design => ({
  ...beam,
  channels: beam.channels.map((c) => ({ ...c, every, hits: 2 })),
});
const [evening] = beam.scenes;
const lasting = (duration: number, more: Partial<Scene> = {}): Scene => ({
  ...evening,
  duration,
  ...more,
});

describe('a long scene', () => {
  // 1.9 and 2.1 million readings: of the longer one not all are taken.
  const [all, some] = [190_000, 210_000].map((duration) => {
    const happenings = [20, 90_000, 189_000].flatMap((t) =>
      evening.happenings.map((h) => ({ ...h, id: `${h.id}-${t}`, start: h.start + t })),
    );
    return rehearse(polled(0.1), lasting(duration, { happenings }));
  });

  it('decides the same at the same moments, whether all readings are taken or not', () => {
    expect([all.keptEvery, some.keptEvery]).toEqual([1, 3]);
    const decisions = ({ logic }: typeof all) =>
      logic.map(({ t, logic: { channels, rules } }) => [
        t,
        channels['beam'].tripped,
        rules['r1'].active,
      ]);
    expect(decisions(some)).toEqual(decisions(all));
    expect(some.acting).toEqual(all.acting);
    expect(some.verdicts).toEqual(all.verdicts);
  });

  it('keeps every reading while something happens, and a third of the others', () => {
    const [{ times: kept }, { times: taken }] = [all, some].map((r) => r.readings['beam']);
    expect(taken.length / kept.length).toBeCloseTo(210 / 190 / 3, 2);
    const { exposure } = some.verdicts[1];
    const within = (times: readonly number[]): readonly number[] =>
      times.filter((t) => t >= (exposure?.start ?? NaN) && t <= (exposure?.end ?? NaN));
    expect(within(taken)).toEqual(within(kept));
    expect(within(taken).length).toBeGreaterThan(2);
  });

  it('has the noise it would have: what is kept is what would have been read', () => {
    const [whole, thin] = [all, some].map((r) => r.readings['beam']);
    const read = new Map(whole.times.map((t, i) => [t.toFixed(3), whole.values[i]]));
    const early = thin.times.flatMap((t, i) =>
      t < 189_000 ? [[t.toFixed(3), thin.values[i]]] : [],
    );
    expect(early.every(([t, value]) => read.get(t as string) === value)).toBe(true);
  });
});

it('a baseline that follows every reading stands where it would, though not all are taken', () => {
  const mat = demo('boarding-mat');
  const [day] = mat.scenes;
  const [all, some] = [190_000, 210_000].map((duration) => {
    const happenings = [20, 90_000, 189_000].flatMap((t) =>
      day.happenings.slice(0, 2).map((h) => ({ ...h, id: `${h.id}-${t}`, start: h.start + t })),
    );
    return rehearse(mat, { ...day, duration, happenings });
  });
  expect([all.keptEvery, some.keptEvery]).toEqual([1, 3]);
  const course = ({ logic }: typeof all) =>
    logic.map(({ t, logic: { channels } }) => [t, channels['mat'].tripped]);
  expect(course(some)).toEqual(course(all));
  expect(course(some).length).toBeGreaterThan(4);
  some.logic.forEach(({ logic: { channels } }, i) => {
    const whole = all.logic[i].logic.channels['mat'].baseline.counts ?? NaN;
    expect(Math.abs((channels['mat'].baseline.counts ?? NaN) - whole)).toBeLessThan(1e-5);
  });
  const came = ({ verdicts }: typeof all) => verdicts.map((v) => [v.outcome, v.delay]);
  expect(came(some)).toEqual(came(all));
});

it.each<[string, number, Partial<Scene>, RegExp]>([
  ['busy under the sun', 1e6, { ambient: { sky: 1 } }, /10000000 readings while light, weather/],
  [
    'busy with happenings',
    1e6,
    { happenings: [{ ...evening.happenings[0], params: { speed: 1e-5, width: 0.1 } }] },
    /readings while something happens; at most 2000000/,
  ],
  ['too long', 1e9, { happenings: [] }, /readings in all; at most 200000000/],
  [
    'very many happenings',
    1e6,
    { happenings: Array.from({ length: 1e6 }, (_, i) => ({ ...evening.happenings[0], start: i })) },
    /has 1000000 happenings; at most 5000/,
  ],
])('refuses what would take too long, by name: %s', (_, duration, more, reason) => {
  expect(() => strideOf(polled(0.1), lasting(duration, more), 'fast')).toThrow(reason);
});
