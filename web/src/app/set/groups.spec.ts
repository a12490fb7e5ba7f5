import { readFileSync } from 'node:fs';
import type { Design } from '@yurei/core/design';
import { rehearse } from '@yurei/core/rehearsal';
import { groupsOf, roomBetween, thin } from './groups';

const design: Design = JSON.parse(readFileSync('demo/slipway-beam.yurei.json', 'utf8'));
const scene = design.scenes[0];
const groups = groupsOf(rehearse(design, scene), scene, 'beam');

it('sorts readings into rest, nuisance and wanted', () => {
  expect(groups.map((g) => g.kind)).toEqual(['quiet', 'nuisance', 'wanted']);
  expect(groups[0].low).toBeGreaterThan(800);
  expect(groups[2].low).toBeLessThan(10);
});

it('finds the room between rest and what is wanted', () => {
  const room = roomBetween(groups, 'below');
  expect(room?.quiet).toBe(groups[0].low);
  expect(room?.middle).toBe(Math.round((groups[0].low + groups[2].low) / 2));
  expect(roomBetween(groups.slice(0, 1), 'below')).toBeUndefined();
});

it('thins a list but keeps its ends', () => {
  const list = Array.from({ length: 1000 }, (_, i) => i);
  expect(thin(list, 10)).toHaveLength(10);
  expect([thin(list, 10)[0], thin(list, 10)[9]]).toEqual([0, 999]);
  expect(thin([1, 2], 10)).toEqual([1, 2]);
});
