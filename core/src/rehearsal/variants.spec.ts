import type { Happening, Place } from '../design/index.js';
import { degrees } from '../quantity/index.js';
import { byAngle, byDistance, byReflectance, perceivedBy, roomIf } from './variants.js';
import type { WouldRead } from './what-if.js';

const sensor: Place = { x: 2, y: 3, facing: 30 };
const happening: Happening = {
  id: 'h1',
  kind: 'hand',
  name: 'A hand',
  intent: 'wanted',
  start: 1,
  params: { warmth: 33 },
  path: [{ x: 0, y: 0 }],
};
const polar = ({ path: [at] = [] }: Happening) => {
  const [dx, dy] = [at.x - sensor.x, at.y - sensor.y];
  return { distance: Math.hypot(dx, dy), off: degrees(Math.atan2(dy, dx)) - sensor.facing };
};

it('puts it straight ahead at each distance', () => {
  for (const { value, happening: put } of byDistance(happening, sensor)) {
    expect(polar(put).distance).toBeCloseTo(value, 12);
    expect(polar(put).off).toBeCloseTo(0, 9);
  }
});

it('puts it a metre away at each angle', () => {
  for (const { value, happening: put } of byAngle(happening, sensor)) {
    expect(polar(put).distance).toBeCloseTo(1, 12);
    expect(polar(put).off).toBeCloseTo(value, 9);
  }
});

it('gives it each surface, and leaves the rest of it', () => {
  const all = byReflectance(happening);
  expect(all.length).toBeGreaterThan(3);
  for (const { value, happening: put } of all)
    expect(put).toEqual({ ...happening, params: { warmth: 33, reflectance: value } });
});

const would = (
  rest: number | undefined,
  ...during: [string, 'wanted' | 'nuisance', number][]
): WouldRead => ({
  value: 1,
  rest,
  during: during.map(([id, intent, counts]) => ({ happening: id, name: id, intent, counts })),
});

it.each<[number, number, boolean]>([
  // More than 3 counts, and more than a tenth of rest.
  [10, 13, false],
  [10, 14, true],
  [500, 550, false],
  [500, 449, true],
])('of a rest of %d, %d is felt: %s', (rest, counts, stimulus) => {
  expect(perceivedBy([would(rest, ['h1', 'wanted', counts])]).has('h1')).toBe(stimulus);
});

const all = new Set(['person', 'child', 'cat']);
it.each<[string, WouldRead, 'above' | 'below', number | undefined]>([
  [
    'from nuisance to the nearer of two',
    would(100, ['person', 'wanted', 700], ['child', 'wanted', 400], ['cat', 'nuisance', 150]),
    'above',
    250,
  ],
  ['overlapping', would(100, ['person', 'wanted', 300], ['cat', 'nuisance', 350]), 'above', -50],
  ['tripping below', would(900, ['person', 'wanted', 200], ['cat', 'nuisance', 600]), 'below', 400],
  ['one happening: from the threshold', would(100, ['person', 'wanted', 700]), 'above', 188],
  ['one happening, tripping below', would(900, ['person', 'wanted', 700]), 'below', -188],
  ['nothing wanted', would(100, ['cat', 'nuisance', 350]), 'above', undefined],
  [
    'wanted but never felt',
    would(100, ['other', 'wanted', 350], ['cat', 'nuisance', 150]),
    'above',
    undefined,
  ],
])('room: %s', (_, of, trips, room) => {
  expect(roomIf(of, { trips, threshold: 512 }, all)).toBe(room);
});
