import type { Param } from '../catalog/index.js';
import { slipwayBeam } from '../testing/demo.js';
import { axesProblem, axisAround, firstAxes } from './axes.js';
import { sweepableIn, type SweptFacts } from './swept-parameter.js';

const facts = (value: number, param: Partial<Param>): SweptFacts => ({
  dial: { of: 'part', part: 'R1', param: 'ohms' },
  label: 'R1',
  param: { id: 'ohms', label: 'Resistance', unit: 'Ω', default: 10, min: 1, max: 1000, ...param },
  value,
});

it.each<[string, number, Partial<Param>, number, number]>([
  ['half of it to half more', 100, {}, 50, 150],
  ['no further than is possible', 900, {}, 450, 1000],
  ['not below the least', 1.5, {}, 1, 2.25],
  ['three digits', 123.4, {}, 61.7, 185],
  ['whole numbers', 5, { whole: true }, 3, 8],
  ['whole numbers a step apart', 1, { whole: true }, 1, 2],
  ['from nothing to what is usual', 0, { min: 0 }, 0, 10],
  ['from nothing to one where nothing is usual', 0, { min: 0, default: 0 }, 0, 1],
])('%s', (_, value, param, from, to) => {
  expect(axisAround(facts(value, param), 7)).toMatchObject({ from, to, steps: 7 });
});

it('begins with the threshold of the first channel and its hits', () => {
  const axes = firstAxes(sweepableIn(slipwayBeam()), 7);
  expect(axes.map((a) => a.dial)).toMatchObject([{ field: 'threshold' }, { field: 'hits' }]);
  expect(axesProblem(axes)).toBeUndefined();
});

it('says why two sides make no map', () => {
  const [one, other] = firstAxes(sweepableIn(slipwayBeam()), 7);
  expect(firstAxes([facts(1, {})], 7)).toEqual([]);
  expect(axesProblem([])).toMatch(/no two values/);
  expect(axesProblem([one, one])).toMatch(/the same value/);
  expect(axesProblem([one, { ...other, to: other.from }])).toMatch(/ends/);
});
