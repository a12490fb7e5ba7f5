import { readdirSync } from 'node:fs';
import { readDesign } from '../exchange/index.js';
import { demo, slipwayBeam } from '../testing/demo.js';
import { draftScene, fittingKinds } from './draft.js';
import { findHappeningKind, happeningSpan } from './happenings.js';
import type { Circumstances, HappeningKind } from './happening-kind.js';

const kind = (name: string): HappeningKind => {
  const found = findHappeningKind(name);
  if (!found) throw new Error(name);
  return found;
};

it.each<[string, string[], string[]]>([
  ['varnish-bench-fire', ['flame', 'lamp-on', 'low-sun'], ['footstep', 'tag-shown', 'soil-dries']],
  ['winch-counter', ['magnet-approaches'], ['flame', 'clap', 'rain']],
  ['fuel-locker-vapour', ['gas-released'], ['flame', 'finger-touches']],
])('%s: what its sensors feel is offered, what they cannot is not', (name, fits, not) => {
  const kinds = fittingKinds(demo(name)).map((k) => k.kind);
  expect(kinds).toEqual(expect.arrayContaining(fits));
  for (const other of not) expect(kinds).not.toContain(other);
});

it.each<[Circumstances, string[], string[]]>([
  [{ outdoors: true, by: 'night' }, ['headlights', 'lorry-passes'], ['low-sun', 'dusk-falls']],
  [{ outdoors: true, by: 'day' }, ['low-sun', 'dusk-falls'], ['headlights', 'curtain-in-draught']],
  [{ outdoors: false }, ['low-sun', 'headlights', 'curtain-in-draught'], ['rain']],
  [{}, ['low-sun', 'headlights', 'curtain-in-draught', 'rain'], []],
])('at %j what cannot happen there and then is not offered', (at, fits, not) => {
  const parts = ['photoresistor', 'pyroelectric-module', 'rain-pad', 'vibration-switch'].map(
    (kind, i) => ({
      ...{ id: `B${i}`, kind, name: kind, params: {} },
    }),
  );
  const kinds = fittingKinds({ parts }, at).map((k) => k.kind);
  expect(kinds).toEqual(expect.arrayContaining(fits));
  for (const other of not) expect(kinds).not.toContain(other);
});

it('a design that feels nothing is offered nothing', () => {
  expect(fittingKinds({ parts: [] })).toEqual([]);
});

it('things happen one after the other, each with the times of the rules to be over', () => {
  const design = slipwayBeam();
  design.rules[0] = { ...design.rules[0], hold: 40 };
  const scene = draftScene(design, {
    id: 's',
    name: 'Both',
    ambient: {},
    happens: [
      { kind: kind('person-walks'), intent: 'wanted' },
      { kind: kind('pet'), intent: 'nuisance' },
    ],
  });
  const [first, second] = scene.happenings.map(happeningSpan);
  expect(scene.happenings.map((h) => h.intent)).toEqual(['wanted', 'nuisance']);
  expect(second.start).toBeGreaterThanOrEqual(first.end + 45);
  expect(scene.duration).toBeGreaterThanOrEqual(second.end + 45);
});

const starters = readdirSync('demo').map((file) => file.replace('.yurei.json', ''));

it.each(starters)('a scene of all that fits %s can be kept in its file', (name) => {
  const design = demo(name);
  const happens = fittingKinds(design).map((k) => ({ kind: k, intent: 'wanted' as const }));
  const scene = draftScene(design, { id: 'drafted', name: 'All', ambient: {}, happens });
  const read = readDesign(JSON.stringify({ ...design, scenes: [scene] }));
  expect(read.ok ? [] : read.problems).toEqual([]);
});
