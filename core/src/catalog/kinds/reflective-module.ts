import { definePart } from '../define-part.js';
import {
  comparatorInside,
  comparatorNotes,
  comparatorRatings,
  comparatorTerminals,
  trimmerParam,
} from '../comparator-module.js';
import { inner, moduleElements } from '../module.js';
import { reflectivePair } from './reflective-pair.js';
import { resistor } from './resistor.js';

const inside = comparatorInside(
  (p: { turn: number; halfAngle: number; ledOhms: number; load: number }) => [
    // Lensed 5 mm parts: 20 mW/sr at 20 mA, 4 mA at 1 mW/cm².
    inner('B1', 'Reflective pair', reflectivePair, {
      halfAngle: p.halfAngle,
      intensity: 1,
      sensitivity: 4e-4,
    }),
    inner('R1', 'LED resistor', resistor, { ohms: p.ledOhms }),
    inner('R2', 'Receiver load', resistor, { ohms: p.load }),
  ],
  [
    ['VCC', 'R1.a'],
    ['R1.b', 'B1.a'],
    ['B1.k', 'GND'],
    ['VCC', 'R2.a'],
    ['R2.b', 'AO'],
    ['AO', 'B1.c'],
    ['B1.e', 'GND'],
  ],
  'below',
);

export const reflectiveModule = definePart({
  kind: 'reflective-module',
  label: 'Obstacle module, infrared',
  summary:
    'A reflective pair with comparator, trimmer and lamps: says yes or no to something in front.',
  prefix: 'B',
  words: ['obstacle', 'proximity', 'avoid', 'near', 'infrared', 'ir', 'module', 'hand'],
  stage: 'feels',
  ages: 'Its window soils; its lamp loses a third in some 50,000 hours.',
  first: { notices: 'something close by', named: 'Nearness', wanted: 'hand-near', every: 0.02 },
  terminals: comparatorTerminals,
  params: [
    trimmerParam(0.5),
    { id: 'ledOhms', label: 'LED resistor', unit: 'Ω', default: 180, min: 10, max: 10e3 },
    { id: 'load', label: 'Receiver load', unit: 'Ω', default: 10e3, min: 100, max: 1e6 },
    { id: 'halfAngle', label: 'Half-angle', unit: '°', default: 17, min: 1, max: 85 },
  ],
  feed: { plus: 'VCC', minus: 'GND', least: () => 3 },
  ratings: comparatorRatings,
  inside,
  ownLine: inside.ownLine,
  elements: (p, state) => moduleElements(inside, p, state),
  tunable: ['halfAngle'],
  headline: (p) => `trimmer ${Math.round(100 * p.turn)} %`,
  senses: {
    quantities: ['reflection', 'infrared'],
    halfAngle: (p) => p.halfAngle,
    radius: () => 0.006,
    noise: () => 0.002,
  },
  curve: {
    vary: { stimulus: 'reflection' },
    from: 0.1,
    to: 1000,
    scale: 'log',
    operating: [1, 300],
    feeds: [['VCC', 'GND', 5]],
    reads: { volts: ['AO', 'GND'] },
  },
  notes: [
    ...comparatorNotes,
    'The trimmer sets how near: 2 to 10 cm for a hand is usual (common practice).',
    'Black and shiny things are seen much nearer than white ones; sunlight blinds it.',
  ],
  cautions: [],
  source:
    'The circuit inside, solved; 180 Ω, 10 kΩ, the comparator and lensed 5 mm parts as usual on such boards (from memory).',
  price: 'under 1',
  glyph:
    'M2 4H22V20H2ZM5 8L9 10L5 12ZM9 8V12M5 14V18M5 15L9 13.5M5 17L9 18.5M13 8L18 12L13 16M19 7V17',
});
