import { findKind } from '../catalog/index.js';
import { check, gatherEvidence } from '../check/index.js';
import {
  answers,
  applyEdit,
  emptyDesign,
  type Brief,
  type Design,
  type Need,
  type Part,
  type Point,
} from '../design/index.js';
import { readDesign } from '../exchange/index.js';
import { readingGroup, rehearse, type ReadingGroup } from '../rehearsal/index.js';
import { CannotBuild } from '../blocks/index.js';
import { firstDesign, firstScenes, sitesOf, type FirstDesign } from './index.js';
import { lineBetween } from './line.js';

const need = (kind: string, more: Partial<Need> = {}): Need => ({
  ...{ id: `n-${kind}`.slice(0, 32), intent: 'wanted', kind, name: kind, params: {} },
  ...more,
});
const briefed = (needs: Need[], more: Partial<Brief> = {}): Design => {
  const empty = emptyDesign('New');
  return { ...empty, brief: { ...empty.brief, ...more, needs } };
};
const first = (sensor: string, needs: Need[], more: Partial<Brief> = {}) =>
  firstDesign(briefed(needs, more), { sensor, named: 'Sensor', needs, scene: 'Brief' });
const partOf = ({ design }: FirstDesign, like: string): Part => {
  const part = design.parts.find((p) => p.id === like || p.kind === like);
  if (!part) throw new RangeError(`There is no ${like}.`);
  return part;
};
const wayIn = ({ played: [{ scene }] }: FirstDesign): Point[] => scene.happenings[0].path ?? [];
const outcomes = ({ played }: ReturnType<typeof first>) =>
  played.flatMap(({ rehearsal }) => rehearsal.verdicts.map((v) => v.outcome));

it.each<[string, string, RegExp]>([
  ['a contact on a pin', 'loop-contact', /^U1\.D\d+$/],
  ['a module on a pin', 'pyroelectric-module', /^U1\.A\d$/],
])('%s is read where it is wired', (_, sensor, pin) => {
  const wanted = sensor === 'loop-contact' ? 'door-opens' : 'person-walks';
  const made = first(sensor, [need(wanted)]);
  expect(outcomes(made)).toEqual(['noticed']);
  expect(made.channel?.pin).toMatch(pin);
});

it('a chip on a bus is read by number, on the board whose volts it stands', () => {
  const made = first('tag-reader', [need('tag-shown')]);
  expect(outcomes(made)).toEqual(['noticed']);
  expect(made.channel?.pin).toBe(`${made.sensor}.tag`);
  expect(made.design.parts.map((p) => p.kind)).toContain('radio-board-3v3');
});

it('a mat lies in the way, whatever the distance said', () => {
  const made = first('force-film', [need('person-walks', { far: 3 })]);
  const { place } = partOf(made, made.sensor);
  expect(wayIn(made).map((p) => p.x)).toEqual([place?.x, place?.x]);
  expect(outcomes(made)).toEqual(['noticed']);
});

it('what must be noticed passes as far away as the brief says', () => {
  const made = first('pyroelectric-module', [need('person-walks', { far: 4 })]);
  const { place } = partOf(made, made.sensor);
  expect(wayIn(made).map((p) => p.x - (place?.x ?? 0))).toEqual([4, 4]);
});

it('a beam stands across what breaks it, and is missed without its sender', () => {
  const needs = [need('person-walks', { far: 1.5 })];
  const asked = { sensor: 'modulated-receiver', named: 'Beam', beam: true, needs, scene: 'Brief' };
  const made = firstDesign(briefed(needs), asked);
  const sender = partOf(made, 'modulated-emitter');
  expect(sender.place).toEqual({ x: 4, y: 4, facing: 180 });
  expect(outcomes(made)).toEqual(['noticed']);
  const dark = applyEdit(made.design, { type: 'remove-part', id: sender.id });
  expect(rehearse(dark, made.played[0].scene).verdicts[0].outcome).not.toBe('noticed');
});

it('a pulse that is over between two readings is remembered by an edge, at a pin that can', () => {
  const needs = [need('finger-touches')];
  const asked = { sensor: 'push-button', named: 'Key', needs, scene: 'Brief', every: 1 };
  const made = firstDesign(briefed(needs), asked);
  expect(made.channel).toMatchObject({ edge: 'falling', remembers: true, every: 1 });
  // D2 and D3 are the pins of the 5 V board that can interrupt.
  expect(made.channel?.pin).toMatch(/^U1\.D[23]$/);
  expect(outcomes(made)).toEqual(['noticed']);
});

it('reads often enough for what is felt only shortly', () => {
  // A body of 0.45 m at 1.3 m/s keeps a beam broken for 0.45/1.3 = 0.35 s: ten readings are 0.035 s apart.
  const needs = [need('person-walks', { far: 2 })];
  const asked = { sensor: 'modulated-receiver', named: 'Beam', beam: true, needs, scene: 'Brief' };
  const { channel } = firstDesign(briefed(needs), asked);
  expect(channel?.every).toBeGreaterThan(0.025);
  expect(channel?.every).toBeLessThan(0.045);
});

it('goes on for as long as the brief says', () => {
  const holds = (more: Partial<Brief>) =>
    first('loop-contact', [need('door-opens')], more).design.rules.map((r) => r.hold);
  expect([holds({}), holds({ lasts: 9 })]).toEqual([[3], [9]]);
});

it('runs on cells where there is no mains', () => {
  const kinds = first('loop-contact', [need('door-opens')], { feed: 'battery' }).design.parts.map(
    (p) => p.kind,
  );
  expect(kinds).toContain('alkaline-pack');
  expect(kinds).not.toContain('adapter');
});

it('what stays torn is not taken for how it is at rest', () => {
  const made = first('window-foil', [need('glass-breaks')]);
  expect(made.channel?.trips).toBe('above');
  expect(outcomes(made)).toEqual(['noticed']);
});

it('takes the controller and the supply that are there', () => {
  const one = first('loop-contact', [need('door-opens')]);
  const needs = one.design.brief.needs;
  const asked = { sensor: 'sound-module', named: 'Second', needs, scene: 'Again' };
  const { design } = firstDesign(one.design, asked);
  expect(design.parts.filter((p) => p.kind === 'controller-5v-8bit')).toHaveLength(1);
  expect(design.parts.filter((p) => p.kind === 'adapter')).toHaveLength(1);
  expect(design.channels).toHaveLength(2);
});

it('is one edit, and a design that can be read', () => {
  const needs = [need('door-opens'), need('lorry-passes', { intent: 'nuisance' })];
  const made = first('loop-contact', needs);
  expect(applyEdit(briefed(needs), made.edit)).toEqual(made.design);
  expect(readDesign(JSON.stringify(made.design))).toMatchObject({ ok: true, doubts: [] });
});

it('refuses what it cannot wire, with the reason', () => {
  expect(() => first('rotary-knob', [need('finger-touches')])).toThrow(CannotBuild);
});

describe('scenes of a brief', () => {
  it.each<[string, Partial<Brief>, string[], string[]]>([
    ['nobody said where or when', {}, ['door-opens'], ['lit-room']],
    ['indoors by night', { outdoors: false, by: 'night' }, ['door-opens'], ['dark']],
    ['outdoors, always', { outdoors: true, by: 'always' }, ['person-walks'], ['overcast', 'moon']],
    ['rain falls outdoors only', {}, ['rain'], ['overcast']],
  ])('%s', (_, brief, kinds, sites) => {
    expect(
      sitesOf(
        brief,
        kinds.map((k) => need(k)),
      ).map((s) => s.id),
    ).toEqual(sites);
  });

  it('leave out what cannot happen there', () => {
    const needs = [need('door-opens'), need('headlights', { intent: 'nuisance' })];
    const scenes = firstScenes(briefed(needs, { by: 'always' }), needs, 'Brief');
    expect(scenes.map((s) => s.happenings.map((h) => h.kind))).toEqual([
      ['door-opens'],
      ['door-opens', 'headlights'],
    ]);
  });

  it('say what of the brief each happening tries, and as large and as soon as it says', () => {
    const asked = need('person-walks', { params: { speed: 2 }, within: 1.5 });
    const [{ happenings }] = firstScenes(briefed([asked]), [asked], 'Brief');
    expect(happenings[0]).toMatchObject({ need: asked.id, params: { speed: 2 }, within: 1.5 });
  });
});

describe('the line', () => {
  const rest = readingGroup('rest', 'quiet', [100, 102]);
  const wanted = readingGroup('wanted', 'wanted', [300, 502]);
  const pet = (counts: number) => readingGroup('pet', 'nuisance', [counts]);
  it.each<[string, ReadingGroup[], number, object | undefined]>([
    // (102 + 502)/2, a fifth of the 400 between.
    ['amid rest and what is wanted', [rest, wanted], 0, { threshold: 302, hysteresis: 80 }],
    // (402 + 502)/2: what must not fire reads 402, which is clear by 100 of 400.
    ['beyond what must not fire', [rest, wanted, pet(402)], 0, { threshold: 452, hysteresis: 20 }],
    // 490 is not clear of 502 by a tenth of 400.
    [
      'as if it were not there, where it is not clear',
      [rest, wanted, pet(490)],
      0,
      { threshold: 302 },
    ],
    // Six standard deviations of 20 counts.
    ['with room for its noise', [rest, wanted], 20, { threshold: 302, hysteresis: 120 }],
    // Twice six standard deviations are more than the 400 between.
    ['nowhere, where noise would cross it', [rest, wanted], 34, undefined],
    ['nowhere, where nothing stands out', [rest, readingGroup('w', 'wanted', [101])], 0, undefined],
  ])('lies %s', (_, groups, noise, expected) => {
    const line = lineBetween(groups, noise);
    if (expected) expect(line).toMatchObject({ trips: 'above', ...expected });
    else expect(line).toBeUndefined();
  });

  it('lies below, where it falls', () => {
    const falls = readingGroup('wanted', 'wanted', [20, 60]);
    expect(lineBetween([rest, falls], 0)).toEqual({
      trips: 'below',
      threshold: 60,
      hysteresis: 16,
    });
  });
});

describe('what answers', () => {
  const answered = (answer: Brief['answer'], more: Partial<Brief> = {}, sensor = 'loop-contact') =>
    first(sensor, [need(sensor === 'tag-reader' ? 'tag-shown' : 'door-opens')], {
      answer,
      ...more,
    });

  it.each(answers)('%s: is wired, fed, and acts when what must be noticed happens', (answer) => {
    const made = answered(answer);
    expect(outcomes(made)).toEqual(['noticed']);
    expect(made.played.flatMap(({ rehearsal }) => rehearsal.troubles)).toEqual([]);
    const acting = made.design.parts.filter((p) => findKind(p.kind)?.acts);
    expect(acting.length).toBe(1);
    const wrong = check(gatherEvidence(made.design, made.played[0].scene));
    const errors = wrong.filter(({ severity }) => severity === 'error').map(({ code }) => code);
    // A release is somebody's choice of place.
    expect(errors).toEqual(answer === 'lock' ? ['lock-without-release'] : []);
  });

  it('a load of 12 V and a controller that takes 12 V share a supply; one that takes 5 V has its own', () => {
    const supplies = ({ design }: FirstDesign) =>
      design.parts.flatMap(({ kind, params }) =>
        ['adapter', 'alkaline-pack', 'lead-battery'].includes(kind)
          ? [[kind, params['volts']]]
          : [],
      );
    expect(supplies(answered('pump'))).toEqual([['adapter', 12]]);
    expect(supplies(answered('pump', { feed: 'battery' }))).toEqual([['lead-battery', 12]]);
    expect(supplies(answered('pump', {}, 'tag-reader'))).toEqual([
      ['adapter', 5],
      ['adapter', 12],
    ]);
    expect(supplies(answered('sound', { feed: 'battery' }, 'tag-reader'))).toEqual([
      ['alkaline-pack', 4.5],
    ]);
  });
});

describe('without a controller', () => {
  const without = (sensor: string, kind: string, more: Partial<Brief> = {}) =>
    first(sensor, [need(kind)], { controller: 'without', ...more });

  it.each(answers.filter((a) => a !== 'message'))('%s: a comparator lets it act', (answer) => {
    const made = without('loop-contact', 'door-opens', { answer });
    expect(outcomes(made)).toEqual(['noticed']);
    expect(made.channel).toBeUndefined();
    expect(made.design).toMatchObject({ channels: [], outputs: [], rules: [] });
    expect(made.design.parts.filter((p) => findKind(p.kind)?.inputs)).toEqual([]);
    const done = applyEdit(
      briefed([need('door-opens')], { controller: 'without', answer }),
      made.edit,
    );
    expect(done).toEqual(made.design);
    const wrong = check(gatherEvidence(done, made.played[0].scene));
    const errors = wrong.filter(({ severity }) => severity === 'error').map(({ code }) => code);
    expect(errors).toEqual(answer === 'lock' ? ['lock-without-release'] : []);
  });

  it.each([
    ['push-button', 'finger-touches'],
    ['reflective-module', 'hand-near'],
  ])('%s, which falls below its line, lets it act too', (sensor, kind) => {
    expect(first(sensor, [need(kind)]).channel?.trips).toBe('below');
    expect(outcomes(without(sensor, kind))).toEqual(['noticed']);
  });

  it.each<[string, string, Partial<Brief>, RegExp]>([
    ['heading-sensor', 'door-opens', {}, /read as a number/],
    ['loop-contact', 'door-opens', { answer: 'message' }, /only a program does/],
  ])('%s for %s with %j is refused', (sensor, kind, more, why) => {
    expect(() => without(sensor, kind, more)).toThrow(CannotBuild);
    expect(() => without(sensor, kind, more)).toThrow(why);
  });
});

it('what is tried anew is tried at the latitude of the place', () => {
  const there = first('loop-contact', [need('door-opens')]).design;
  const south = there.scenes.map((s) => ({ ...s, ambient: { ...s.ambient, latitude: -33 } }));
  const [scene] = firstScenes({ ...there, scenes: south }, [need('door-opens')], 'Again');
  expect(scene?.ambient['latitude']).toBe(-33);
});
