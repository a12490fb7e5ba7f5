import { applyEdit, emptyDesign, type Brief, type Design, type Need } from '../design/index.js';
import { rehearse } from '../rehearsal/index.js';
import {
  candidates,
  compare,
  coverage,
  evenWeights,
  rank,
  reasonOf,
  type Compared,
  type Performance,
} from './index.js';

const needs = (wanted: string[], nuisances: string[] = []): Need[] => [
  ...wanted.map((kind, i): Need => ({ ...asked(kind), id: `n${i}`, intent: 'wanted' })),
  ...nuisances.map((kind, i): Need => ({ ...asked(kind), id: `m${i}`, intent: 'nuisance' })),
];
const asked = (kind: string) => ({ kind, name: kind, params: {} });
const briefed = (of: Need[], more: Partial<Brief> = {}): Design => {
  const empty = emptyDesign('New');
  return { ...empty, brief: { ...empty.brief, ...more, needs: of } };
};
const compared = (design: Design, sensor: string, beam = false): Compared => {
  const found = candidates(design.brief.needs).find((c) => c.sensor === sensor && c.beam === beam);
  if (!found) throw new RangeError(`${sensor} is no candidate.`);
  return compare(design, found);
};
const doing = (design: Design, sensor: string, beam = false): Performance => {
  const { does, refused } = compared(design, sensor, beam);
  if (!does) throw new RangeError(refused);
  return does;
};

it.each<[string, string[], string[]]>([
  ['door-opens', ['loop-contact', 'accelerometer'], ['ntc', 'push-button']],
  ['person-walks', ['pyroelectric-module', 'doppler-module', 'force-film'], ['keypad', 'ntc']],
  ['finger-touches', ['push-button', 'touch-pad'], ['loop-contact']],
  ['flame', ['flame-receiver'], ['reed-contact']],
])('offers for %s what feels it', (kind, among, not) => {
  const kinds = candidates(needs([kind])).map((c) => c.sensor);
  expect(kinds).toEqual(expect.arrayContaining(among));
  for (const other of not) expect(kinds).not.toContain(other);
});

it('offers nothing as long as nothing must be noticed', () => {
  expect(candidates(needs([], ['pet']))).toEqual([]);
});

it('a beam is offered only for what can break it', () => {
  const beams = (kind: string) => candidates(needs([kind])).filter((c) => c.beam);
  expect(
    beams('person-walks')
      .map((c) => c.sensor)
      .sort(),
  ).toEqual(['modulated-receiver', 'photoresistor']);
  expect(beams('dusk-falls')).toEqual([]);
});

it('tells what the same design tells in a rehearsal', () => {
  const design = briefed(needs(['person-walks'], ['pet']));
  const does = doing(design, 'pyroelectric-module');
  const made = applyEdit(design, does.edit);
  const { verdicts } = rehearse(made, made.scenes[0], undefined, 'time');
  expect(does.dealt.map((d) => [d.outcome, d.delay])).toEqual(
    verdicts.map((v) => [v.outcome, v.delay]),
  );
  expect(does.dealt.map((d) => d.outcome)).toEqual(['noticed', 'fired falsely']);
});

it('of several scenes the worst counts, and what happens in none is not tried', () => {
  const design = briefed(needs(['door-opens'], ['headlights']), { by: 'day' });
  const does = doing(design, 'loop-contact');
  expect(does.dealt.map((d) => d.outcome)).toEqual(['noticed', undefined]);
  // In a lit room and in the dark one fixed line cannot serve a photoresistor that looks at a beam.
  const both = briefed(needs(['person-walks']), { by: 'always' });
  expect(doing(both, 'photoresistor', true).dealt[0].outcome).toBe('missed');
  const night = briefed(needs(['person-walks']), { by: 'night' });
  expect(doing(night, 'photoresistor', true).dealt[0].outcome).toBe('noticed');
});

it('a battery lasts as long as its charge does at the mean current', () => {
  const does = doing(briefed(needs(['door-opens']), { feed: 'battery' }), 'loop-contact');
  // 2.5 A·h of the pack.
  expect((does.lasts ?? 0) * does.amps).toBeCloseTo(2.5 * 3600, 6);
  expect(doing(briefed(needs(['door-opens'])), 'loop-contact').lasts).toBeUndefined();
});

it('the mean current is what the supply gives: a controller, and the buzzer for a share of the time', () => {
  const does = doing(briefed(needs(['door-opens'])), 'loop-contact');
  const made = applyEdit(briefed(needs(['door-opens'])), does.edit);
  const { watts, duration } = rehearse(made, made.scenes[0], undefined, 'time');
  const joules = watts.times.reduce(
    (sum, t, i) => sum + watts.values[i] * ((watts.times[i + 1] ?? duration) - t),
    0,
  );
  expect(does.amps).toBeCloseTo(joules / duration / 9, 9);
});

it('tells the ground that it surely watches as the plan does, and how many it takes at least for all of it', () => {
  const asked = needs(['person-walks']);
  const design = briefed(asked);
  const { does } = compared(design, 'pyroelectric-module');
  if (!does) throw new RangeError('It was not built.');
  const made = applyEdit(design, does.edit);
  const area = coverage(made, made.scenes[0], asked[0])?.area;
  expect(does.covers).toBe((area?.once ?? 0) + (area?.twice ?? 0));
  const { width, depth } = made.plan;
  expect((does.forAll ?? 0) * (does.covers ?? 0)).toBeGreaterThanOrEqual(width * depth);
  expect(((does.forAll ?? 0) - 1) * (does.covers ?? 0)).toBeLessThan(width * depth);
  // Nobody is noticed by a receiver for flames.
  expect(compared(design, 'flame-receiver').does).not.toHaveProperty('covers');
});

it('why there is no first design is told', () => {
  const { refused, does } = compared(briefed(needs(['finger-touches'])), 'rotary-knob');
  expect(does).toBeUndefined();
  expect(refused).toMatch(/no usual front end/);
});

it('what is over soon and what takes long are tried in one scene, in bounded time', () => {
  // 5 ms between readings all through half an hour were 360,000 of them.
  const touch = { ...needs(['finger-touches'])[0], params: { lasts: 0.05 } };
  const warm = { ...needs(['warmth-comes'])[0], id: 'n9' };
  const { does } = compared(briefed([touch, warm]), 'touch-module');
  const made = applyEdit(briefed([touch, warm]), does?.edit ?? { type: 'remove-scene', id: '' });
  expect(made.scenes[0].duration / made.channels[0].every).toBeLessThanOrEqual(30_001);
});

describe('the ranking', () => {
  const design = briefed(needs(['person-walks'], ['pet', 'curtain-in-draught']));
  const all = ['sound-module', 'rotary-knob', 'pyroelectric-module', 'force-film'].map((s) =>
    compared(design, s),
  );

  it('puts what notices all before what does not, and what cannot be built last', () => {
    const ranked = rank(all, evenWeights);
    expect(ranked.map((r) => r.sensor)).toEqual([
      'force-film',
      'pyroelectric-module',
      'sound-module',
      'rotary-knob',
    ]);
    expect(ranked.map((r) => r.serves)).toEqual([true, true, false, false]);
  });

  it('follows the weights', () => {
    const only = (id: string) => ({ ...none, [id]: 1 });
    const none = Object.fromEntries(
      Object.keys(evenWeights).map((k) => [k, 0]),
    ) as typeof evenWeights;
    const first = (id: string) => rank(all, only(id) as typeof evenWeights)[0].sensor;
    // The film is stepped on and wants a load; the module sees from afar, takes no part more, and sees the pet.
    expect(first('quiet')).toBe('force-film');
    expect(first('simple')).toBe('pyroelectric-module');
    expect(rank(all, none).map((r) => r.mark)).toEqual([0, 0, 0, 0]);
  });

  it('marks lie between 0 and 1', () => {
    for (const { mark, marks } of rank(all, evenWeights))
      for (const m of [mark, ...Object.values(marks)]) {
        expect(m).toBeGreaterThanOrEqual(0);
        expect(m).toBeLessThanOrEqual(1);
      }
  });

  it('says why, with numbers', () => {
    const reason = (sensor: string) => reasonOf(all.find((c) => c.sensor === sensor) ?? all[0]);
    expect(reason('pyroelectric-module')).toMatch(
      /^Notices 1 of 1, within \d+.* Fooled by: pet, curtain-in-draught\.$/,
    );
    expect(reason('force-film')).toMatch(/Only what is at its very place\./);
    expect(reason('pyroelectric-module')).not.toMatch(/very place/);
    expect(reason('force-film')).toMatch(/Stays quiet with 1 of 2\. Does not feel 1 of them\.$/);
    expect(reason('sound-module')).toMatch(/reached 9 counts and trips above/);
  });
});

it.each(['door-opens', 'footstep', 'person-walks', 'clap', 'tips', 'magnet-approaches'])(
  'the best for %s does what it must, and nothing is wrong with it',
  (kind) => {
    const design = briefed(needs([kind]));
    const [best] = rank(
      candidates(design.brief.needs).map((c) => compare(design, c)),
      evenWeights,
    );
    expect(best).toMatchObject({ serves: true, does: { spurious: 0, wrong: [] } });
  },
);

it('what is wrong with a first design is told, and puts it behind one with nothing wrong', () => {
  const design = briefed(needs(['flame']).map((n) => ({ ...n, far: 0.02 })));
  const ranked = rank(
    ['photodiode', 'photoresistor'].map((sensor) => compared(design, sensor)),
    // By few parts and price alone both would be alike.
    { ...evenWeights, current: 0, clear: 0, fast: 0 },
  );
  expect(ranked.map((r) => r.sensor)).toEqual(['photoresistor', 'photodiode']);
  expect(reasonOf(ranked[1])).toMatch(/Mind: Controller was beyond its rating/);
});
