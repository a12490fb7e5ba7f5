import type { Need } from '../design/index.js';
import { sceneOf } from '../testing/small.js';
import type { Trial } from '../trials/index.js';
import { chancesOf } from './index.js';

const need = (id: string, intent: Need['intent']): Need => ({
  ...{ id, intent, kind: 'person-walks', name: id, params: {} },
});
const needs = [need('n1', 'wanted'), need('n2', 'nuisance'), need('n3', 'nuisance')];
const scene = (id: string) => ({
  ...sceneOf(
    10,
    { id: 'h1', kind: 'person-walks', intent: 'wanted', need: 'n1' },
    { id: 'h2', kind: 'pet', intent: 'nuisance', need: 'n2' },
  ),
  id,
});
const trial = (
  seed: number,
  wanted: 'noticed' | 'missed',
  nuisance: 'quiet' | 'fired falsely',
): Trial => ({
  ...{ seed, sampled: {}, strays: 0 },
  outcomes: { h1: { outcome: wanted }, h2: { outcome: nuisance } },
});

it('counts the nights of all scenes together', () => {
  const nights = [
    { scene: scene('day'), trials: [trial(1, 'noticed', 'quiet'), trial(2, 'missed', 'quiet')] },
    { scene: scene('night'), trials: [trial(1, 'noticed', 'fired falsely')] },
  ];
  const told = chancesOf(needs, nights).map(({ need: id, share }) => [
    id,
    share.events,
    share.tries,
  ]);
  expect(told).toEqual([
    ['n1', 2, 3],
    ['n2', 1, 3],
    ['n3', 0, 0],
  ]);
});

it('tells exact bounds: none of 200 is still up to 1.83 per cent', () => {
  // Clopper and Pearson, Biometrika 26, 1934: 1 − 0.025^(1/200).
  const trials = Array.from({ length: 200 }, (_, i) => trial(i, 'noticed', 'quiet'));
  const [, pet] = chancesOf(needs, [{ scene: scene('day'), trials }]);
  expect(pet.share.high).toBeCloseTo(1 - 0.025 ** (1 / 200), 9);
});
