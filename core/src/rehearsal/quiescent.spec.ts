import type { Happening, Scene } from '../design/index.js';
import { findHappeningKind, contributes, type HappeningKind } from '../scene/index.js';
import { quiescentUntil } from './quiescent.js';

const knock = (id: string, start: number): Happening => ({
  id,
  kind: 'finger-touches',
  name: id,
  intent: 'wanted',
  start,
  params: { lasts: 2 },
  path: [{ x: 1, y: 1 }],
});
const scene = (ambient: Scene['ambient'], ...happenings: Happening[]): Scene => ({
  id: 's',
  name: 's',
  seed: 1,
  duration: 60,
  ambient,
  happenings,
});

describe('a stretch is calm', () => {
  const until = quiescentUntil(scene({ daylight: 5 }, knock('a', 10), knock('b', 30)));
  it.each([
    [0, 10],
    [9.99, 10],
    [10, 10],
    [11, 11],
    [12, 12],
    [12.01, 30],
    [40, 60],
  ])('from %d s until %d s', (t, end) => {
    expect(until(t)).toBe(end);
  });
});

it('what can be felt of a kind of happening: by what it gives, or by the body that it moves', () => {
  const kind = (name: string): HappeningKind => findHappeningKind(name) as HappeningKind;
  expect(contributes(kind('finger-touches'), 'touch')).toBe(true);
  expect(contributes(kind('finger-touches'), 'sound')).toBe(false);
  expect(contributes(kind('person-walks'), 'heat')).toBe(true);
  expect(contributes(kind('person-walks'), 'infrared')).toBe(true);
  expect(contributes(kind('person-walks'), 'field')).toBe(false);
});
