import { emptyDesign } from '../design/index.js';
import { compare, evenWeights, rank, sidesOf, type Compared, type Ranked } from './index.js';
import type { Performance } from './performance.js';

const does = { dealt: [], around: [], wrong: [] } as unknown as Performance;
const ranked = (sensor: string, more: Partial<Ranked> = {}): Ranked => ({
  ...{
    sensor,
    beam: false,
    label: sensor,
    price: 'under 1',
    serves: true,
    mark: 1,
    marks: {},
    does,
  },
  ...more,
});
const told = (...all: Ranked[]) =>
  sidesOf(all).map(({ id, sides }) => [id, ...sides.map(({ best }) => best.label)]);

it.each<[string, Ranked[], unknown[]]>([
  [
    'a module and a bare part that feel the same',
    [ranked('rain-pad'), ranked('rain-module')],
    [['module', 'rain-module', 'rain-pad']],
  ],
  [
    'of several the first',
    [
      ranked('gas-air'),
      ranked('gas-combustible'),
      ranked('gas-module-combustible'),
      ranked('gas-module-alcohol'),
    ],
    [['module', 'gas-module-combustible', 'gas-combustible']],
  ],
  [
    'nothing where they feel different things',
    [ranked('pyroelectric-module'), ranked('mat-capacitor')],
    [],
  ],
  [
    'a beam and what is passive',
    [ranked('pyroelectric-module'), ranked('photoresistor', { beam: true, label: 'beam' })],
    [['beam', 'beam', 'pyroelectric-module']],
  ],
  [
    'a reed contact and a Hall sensor',
    [ranked('hall-switch'), ranked('reed-contact')],
    [['magnet', 'reed-contact', 'hall-switch']],
  ],
  [
    'nothing where one side could not be built',
    [ranked('rain-pad'), ranked('rain-module', { does: undefined })],
    [],
  ],
  ['nothing of one sensor', [ranked('rain-pad')], []],
])('tells %s', (_, all, expected) => {
  expect(told(...all)).toEqual(expected);
});

it('tells it of sensors that were solved and rehearsed: rain on a pad, bare and with a comparator', () => {
  const need = { id: 'n1', intent: 'wanted', kind: 'rain', name: 'Rain', params: {} } as const;
  const empty = emptyDesign('Rain');
  const design = { ...empty, brief: { ...empty.brief, outdoors: true, needs: [need] } };
  const all: Compared[] = ['rain-pad', 'rain-module'].map((sensor) =>
    compare(design, { sensor, beam: false }),
  );
  const [pair] = sidesOf(rank(all, evenWeights));
  expect(pair?.sides.map(({ best }) => best.sensor)).toEqual(['rain-module', 'rain-pad']);
  expect(pair?.sides.every(({ best }) => best.does !== undefined)).toBe(true);
});
