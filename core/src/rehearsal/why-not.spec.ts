import { applyEdit, type Channel, type Design, type Happening } from '../design/index.js';
import { demo } from '../testing/demo.js';
import { explain, rehearse, type Why } from './index.js';

const stairs = demo('loft-stairs');
const climbs = stairs.scenes[0].happenings[2];
const runs: Happening = {
  ...climbs,
  id: 'h4',
  name: 'A child runs up',
  start: 20,
  params: { speed: 3.2, width: 0.3 },
};

/** The stairs with other channels and one happening alone. */
function alone(
  happening: Happening,
  change: Partial<Channel> = {},
  more: Partial<Design> = {},
): Design {
  const channels = stairs.channels.map((c) => (c.id === 'key' ? c : { ...c, ...change }));
  const scene = { ...stairs.scenes[0], duration: 36, happenings: [happening] };
  return { ...stairs, channels, scenes: [scene], ...more };
}

const why = (design: Design): Why | undefined => {
  const [scene] = design.scenes;
  const rehearsal = rehearse(design, scene);
  return explain(design, scene, rehearsal, scene.happenings[0].id);
};

/** The outcome with the first cure applied, played afresh. */
function withCure(design: Design, found: Why | undefined): string | undefined {
  const remedy = found?.remedies[0];
  if (!remedy) return undefined;
  const cured = applyEdit(design, remedy.edit);
  return rehearse(cured, cured.scenes[0]).verdicts[0].outcome;
}

describe('why a happening was missed', () => {
  it('a child runs through between two readings: both beams in one pass, and reading oftener tells them apart', () => {
    const design = alone(runs, { every: 0.1, hits: 1, misses: 1 });
    const found = why(design);
    expect(found).toMatchObject({ place: 'order' });
    expect(found?.text).toMatch(/began in the same pass.*read every 100.ms/);
    expect(found?.remedies[0]).toMatchObject({
      effective: true,
      outcome: 'noticed',
      regressions: [],
    });
    expect(withCure(design, found)).toBe('noticed');
  });

  const cases: [string, Design, Partial<Why>, RegExp][] = [
    [
      'too few in a row',
      alone(runs, { hits: 30 }),
      { place: 'debounce' },
      /read below 300 \d+ times in a row and needs 30/,
    ],
    [
      'past no line',
      alone(climbs, { threshold: 0 }),
      { place: 'threshold' },
      /reached [\d.]+ counts and trips below 0/,
    ],
    [
      'in a mode that does not look',
      { ...alone(climbs), scenes: [{ ...alone(climbs).scenes[0], modes: {} }] },
      { place: 'mode' },
      /Guard was Off/,
    ],
    [
      'out of sight',
      alone({
        ...climbs,
        path: [
          { x: 2, y: 4 },
          { x: 3, y: 4 },
        ],
      }),
      { place: 'not felt' },
      /No sensor felt it/,
    ],
    [
      'in a scene that is over before the delay is',
      { ...alone(climbs), scenes: [{ ...alone(climbs).scenes[0], duration: 22 }] },
      { place: 'mode' },
      /Guard was Entering, and goes on after 9.00.s: later than the scene lasts/,
    ],
    [
      'later than the time between two beams allows',
      alone(
        climbs,
        {},
        {
          machines: stairs.machines.map(
            (m) =>
              JSON.parse(JSON.stringify(m).replaceAll('"within":1.5', '"within":0.05')) as typeof m,
          ),
        },
      ),
      { place: 'order' },
      /Upper beam followed Lower beam after \d+.ms, later than 50/,
    ],
  ];
  it.each(cases)('%s', (_, design, expected, text) => {
    const found = why(design);
    expect(found).toMatchObject(expected);
    expect(found?.text).toMatch(text);
    const outcome = withCure(design, found);
    if (found?.remedies[0]?.effective) expect(outcome).toBe('noticed');
  });

  it('charts that wait for each other are told apart, not asked round and round', () => {
    const waits = (id: string, other: string): Design['machines'][number] => ({
      id,
      name: id,
      start: 'x',
      modes: [
        { id: 'x', name: 'X' },
        { id: 'y', name: 'Y' },
      ],
      transitions: [{ from: 'x', to: 'y', when: { is: 'mode', machine: other, mode: 'y' } }],
    });
    const design = alone(climbs, {}, { machines: [waits('p', 'q'), waits('q', 'p')], rules: [] });
    const scene = {
      ...design.scenes[0],
      modes: {},
      happenings: [{ ...climbs, signs: [{ by: 'mode' as const, machine: 'p', mode: 'y' }] }],
    };
    expect(why({ ...design, scenes: [scene] })).toMatchObject({ place: 'mode', remedies: [] });
  });

  it('what is noticed too late says so', () => {
    const found = why(alone({ ...climbs, within: 5 }));
    expect(found?.text).toMatch(/^Too late: it had to be noticed within 5.00.s/);
  });
});

describe('why a happening fired falsely', () => {
  const moth: Happening = {
    ...stairs.scenes[0].happenings[0],
    start: 3,
    path: [
      { x: 0.6, y: 1.6 },
      { x: 0.6, y: 2.6 },
    ],
  };
  it('names how it came about, and the fewest hits that keep it quiet', () => {
    const design = alone(moth);
    const found = why(design);
    expect(found?.place).toBe('fired');
    expect(found?.chain.map((e) => e.kind)).toEqual([
      'channel',
      'channel',
      'mode',
      'mode',
      'rule',
      'acting',
    ]);
    expect(found?.chain.map((e) => e.text).join('\n')).toMatch(
      /Lower beam yes: [\d.]+ below 300, 2 times in a row/,
    );
    expect(found?.remedies[0]?.effective).toBe(true);
    expect(withCure(design, found)).toBe('quiet');
  });
  it('and tells what a cure spoils', () => {
    const design = alone(moth);
    const scene = { ...design.scenes[0], happenings: [moth, { ...runs, start: 15 }] };
    const both = { ...design, scenes: [scene] };
    const found = explain(both, scene, rehearse(both, scene), moth.id);
    expect(found?.remedies.some((c) => c.effective && c.regressions.length === 0)).toBe(true);
  });
});

describe('a circuit that decides by itself', () => {
  const dusk = (ohms: number): Design =>
    applyEdit(demo('steps-lamp-at-dusk'), {
      type: 'set-param',
      id: 'R1',
      param: 'ohms',
      value: ohms,
    });
  it('is turned, value by value that can be bought, until it answers', () => {
    const design = dusk(1000);
    const [scene] = design.scenes;
    const rehearsal = rehearse(design, scene, undefined, 'time');
    const night = scene.happenings[1].id;
    const found = explain(design, scene, rehearsal, night);
    expect(found?.place).toBe('circuit');
    const [remedy] = found?.remedies ?? [];
    expect(remedy).toMatchObject({ outcome: 'noticed', effective: true, regressions: [] });
    const cured = applyEdit(design, remedy.edit);
    const { verdicts } = rehearse(cured, cured.scenes[0], undefined, 'time');
    expect(verdicts.map((v) => v.outcome)).toEqual(['quiet', 'noticed']);
  }, 60_000);
});

describe('what fires without anything happening', () => {
  it('tells its chain, and the fewest hits that keep it quiet', () => {
    const sound = demo('slipway-beam');
    const nervous = { threshold: 822, hysteresis: 1, hits: 1 };
    const design = { ...sound, channels: sound.channels.map((c) => ({ ...c, ...nervous })) };
    const [scene] = design.scenes;
    const rehearsal = rehearse(design, scene);
    const [stray] = rehearsal.spurious;
    expect(stray).toBeDefined();
    const found = explain(design, scene, rehearsal, { spurious: stray });
    expect(found?.chain.map((e) => e.kind)).toEqual(['channel', 'rule', 'acting']);
    const [remedy] = found?.remedies ?? [];
    expect(remedy.effective).toBe(true);
    const cured = applyEdit(design, remedy.edit);
    const again = rehearse(cured, cured.scenes[0]).spurious;
    expect(again.every((t) => Math.abs(t - stray) > 0.5)).toBe(true);
  });
});
