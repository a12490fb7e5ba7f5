import { brief } from '../testing/small.js';
import { aimsOf, findHappeningKind, usualAim, type HappeningKind } from './index.js';

const bench = brief(
  'resistor R, alkaline-pack G, photoresistor B, toggle-switch S, led H',
  'G.plus R.a, R.b B.a',
);
const kind = (name: string): HappeningKind => {
  const found = findHappeningKind(name);
  if (!found) throw new Error(`There is no happening ${name}.`);
  return found;
};
const parts = (name: string): (string | undefined)[] =>
  aimsOf(bench, kind(name)).map((aim) => aim.target.part);

it('is aimed only at what it means something to', () => {
  expect(parts('battery-swapped')).toEqual(['G']);
  // A battery has a sense too, of what is left of it: nothing can be laid over that.
  expect(parts('sensor-covered')).toEqual(['B']);
  expect(parts('sensor-moved')).toEqual(['B']);
  expect(parts('part-comes-off')).toEqual(['R', 'G', 'B', 'S', 'H']);
  expect(aimsOf(bench, kind('wire-breaks')).map((aim) => aim.label)).toEqual([
    'G plus to R a',
    'R b to B a',
  ]);
  expect(aimsOf(bench, kind('rain'))).toEqual([]);
});

it('a new one is aimed at what is moved by hand, or the first there is', () => {
  expect(usualAim(bench, kind('knob-turned'))?.part).toBe('S');
  expect(usualAim(bench, kind('battery-swapped'))).toEqual({ part: 'G' });
  expect(usualAim(bench, kind('rain'))).toBeUndefined();
});
