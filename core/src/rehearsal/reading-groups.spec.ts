import { slipwayBeam } from '../testing/demo.js';
import { readingGroup, readingGroups, roomBetween } from './reading-groups.js';
import type { Rehearsal } from './rehearsal.js';
import { rehearse } from './rehearse.js';

const design = slipwayBeam();
const scene = design.scenes[0];
const groups = readingGroups(rehearse(design, scene), scene, 'beam');

it('sorts readings into rest, nuisance and wanted', () => {
  expect(groups.map((g) => g.kind)).toEqual(['quiet', 'nuisance', 'wanted']);
  expect(groups[0].low).toBeGreaterThan(800);
  expect(groups[2].low).toBeLessThan(10);
});

it('keeps half a second around what is felt out of both', () => {
  const times = [0, 1, 1.4, 1.6, 2, 3, 4, 4.4, 4.6, 6];
  const stimulus = { happening: 'h1', exposure: { start: 2, end: 4 } };
  const rehearsal = {
    readings: { ch1: { times, values: times.map((t) => Math.round(100 * t)) } },
    verdicts: [stimulus, { happening: 'h2' }],
  } as unknown as Rehearsal;
  const happenings = [
    { id: 'h1', name: 'Step', intent: 'wanted' },
    { id: 'h2', name: 'Never felt', intent: 'nuisance' },
  ] as unknown as typeof scene.happenings;
  expect(
    readingGroups(rehearsal, { happenings }, 'ch1').map(({ name, counts }) => [name, counts]),
  ).toEqual([
    ['At rest', [0, 100, 140, 460, 600]],
    ['Step', [200, 300, 400]],
  ]);
  expect(readingGroups(rehearsal, { happenings }, 'none')).toEqual([]);
});

it('finds the room between rest and what is wanted', () => {
  const of = [
    readingGroup('At rest', 'quiet', [100, 130]),
    readingGroup('Cat', 'nuisance', [400]),
    readingGroup('Person', 'wanted', [120, 300, 700]),
    readingGroup('Child', 'wanted', [110, 501]),
  ];
  expect(roomBetween(of, 'above')).toEqual({ quiet: 130, wanted: 501, width: 371, middle: 316 });
  expect(roomBetween(of, 'below')).toEqual({ quiet: 100, wanted: 120, width: -20, middle: 110 });
  expect(roomBetween(groups, 'below')?.quiet).toBe(groups[0].low);
  expect(roomBetween(of.slice(0, 2), 'above')).toBeUndefined();
});
