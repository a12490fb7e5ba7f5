import { demo } from '../testing/demo.js';
import {
  axisValues,
  caseTrial,
  casesOf,
  compared,
  sweptFacts,
  sweepableIn,
  sampleTrial,
  scoreOf,
  withValue,
  usualVariation,
  withSampled,
  type Axis,
  type Trial,
  type Study,
} from './index.js';

const beam = demo('slipway-beam');
const [scene] = beam.scenes;
const study = (ask: Study['ask'], vary = usualVariation): Study => ({
  scene: scene.id,
  vary,
  first: 1,
  count: 3,
  ask,
});
const line: Axis = {
  dial: { of: 'channel', channel: 'beam', field: 'threshold' },
  from: 300,
  to: 420,
  steps: 4,
};
const load: Axis = {
  dial: { of: 'part', part: 'R1', param: 'ohms' },
  from: 1e3,
  to: 100e3,
  steps: 3,
};

describe('swept parameters', () => {
  it('are all values of channels and parts, each changed alone', () => {
    const sweepable = sweepableIn(beam);
    expect(sweepable.length).toBeGreaterThan(30);
    for (const { dial: swept, param, value } of sweepable) {
      const other = value === param.max ? param.min : param.max;
      const after = withValue(beam, swept, other);
      expect(sweptFacts(after, swept)?.value).toBe(other);
      expect(withValue(after, swept, value)).toEqual(withValue(beam, swept, value));
    }
  });
  it('are unknown where the design has no such value', () =>
    expect(sweptFacts(beam, { of: 'part', part: 'R99', param: 'ohms' })).toBeUndefined());
});

describe('the values of an axis', () => {
  it.each<[string, Axis, number[]]>([
    ['evenly, whole where the parameter is', line, [300, 340, 380, 420]],
    ['by ratio over more than tenfold', load, [1e3, 10e3, 100e3]],
    ['downwards too', { ...load, from: 3000, to: 1000 }, [3000, 2000, 1000]],
  ])('%s', (_, axis, values) => expect(axisValues(beam, axis)).toEqual(values));
});

describe('cases', () => {
  it('of a map are all pairs, row by row', () => {
    const cases = casesOf(beam, study({ for: 'map', axes: [line, load] }));
    expect(cases).toHaveLength(12);
    const [x, y] = cases[7].at ?? [];
    expect([x, y]).toEqual([3, 1]);
    expect(sweptFacts(cases[7].design, line.dial)?.value).toBe(420);
    expect(sweptFacts(cases[7].design, load.dial)?.value).toBe(10e3);
  });

  it('of corners put every sort to both ends, and leave out what does not vary', () => {
    const all = casesOf(beam, study({ for: 'corners' }));
    expect(all.map((c) => c.label)).toContain('warm, weak supply, feeble');
    expect(new Set(all.map((c) => c.label)).size).toBe(8);
    expect(casesOf(beam, study({ for: 'corners' }, { ...usualVariation, supply: 0 }))).toHaveLength(
      4,
    );
    const { corner } = all[0];
    const { sampled } = sampleTrial(beam, scene, usualVariation, 5, corner);
    const free = sampleTrial(beam, scene, usualVariation, 5).sampled;
    for (const [name, share] of Object.entries(sampled)) {
      const sampledAnew =
        /^(start of|place of|where )|^(?!voltage|temperature).* of [A-Z]\d+$/.test(name);
      expect([name, share]).toEqual([name, sampledAnew ? free[name] : -1]);
    }
  });

  it('beside another state rehearse that one and this one on the same seeds', () => {
    const deaf = withValue(beam, { of: 'channel', channel: 'beam', field: 'hits' }, 10_000);
    const ask = study({ for: 'beside', other: deaf, label: 'before' });
    const [before, now] = casesOf(beam, ask).map((of) =>
      [1, 2, 3].map((s) => caseTrial(of, scene, ask, s)),
    );
    expect(scoreOf(before, scene).noticed.events).toBe(0);
    expect(scoreOf(now, scene).noticed.events).toBe(3);
    expect(now.map((n) => n.sampled)).toEqual(before.map((n) => n.sampled));
  });

  it('draw a night again that was kept without what was drawn', () => {
    const ask = study({ for: 'corners' });
    const of = casesOf(beam, ask)[3];
    const { sampled: _, ...kept } = caseTrial(of, scene, ask, 9);
    expect(withSampled(of, scene, ask, kept)).toEqual(caseTrial(of, scene, ask, 9));
  });
});

it('two states are told apart only by more than chance', () => {
  const trials = (missed: number): Trial[] =>
    Array.from({ length: 100 }, (_, i) => ({
      seed: i,
      outcomes: {
        h1: { outcome: i < missed ? 'fired falsely' : 'quiet' },
        h2: { outcome: i < missed ? 'missed' : 'noticed' },
      },
      strays: 0,
      sampled: {},
    }));
  const became = (before: number, after: number) =>
    compared(trials(before), trials(after), scene).map((row) => row.became);
  expect(became(60, 5)).toEqual(['better', 'better']);
  expect(became(5, 60)).toEqual(['worse', 'worse']);
  expect(became(5, 7)).toEqual(['no other', 'no other']);
  expect(scoreOf(trials(20), scene)).toMatchObject({ falses: 20, falsesPerNight: 0.2 });
});
