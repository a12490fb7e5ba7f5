import { definePart } from '../define-part.js';
import {
  comparatorInside,
  comparatorNotes,
  comparatorRatings,
  comparatorTerminals,
  trimmerParam,
} from '../comparator-module.js';
import { inner, moduleElements } from '../module.js';
import { padCharge, rainPad, usualGap } from './rain-pad.js';
import { resistor } from './resistor.js';

const inside = comparatorInside(
  (p: { turn: number; conductivity: number; tracks: number; load: number }) => [
    inner('B1', 'Pad', rainPad, { conductivity: p.conductivity, tracks: p.tracks }),
    inner('R1', 'Load resistor', resistor, { ohms: p.load }),
  ],
  [
    ['VCC', 'R1.a'],
    ['R1.b', 'AO'],
    ['AO', 'B1.a'],
    ['B1.b', 'GND'],
  ],
  'below',
);

export const rainModule = definePart({
  kind: 'rain-module',
  label: 'Rain module with comparator',
  summary: 'A pad with comparator and trimmer: low when wet, and a voltage that falls as it wets.',
  prefix: 'B',
  words: ['rain', 'leak', 'water', 'wet', 'drop', 'flood', 'module', 'window'],
  stage: 'feels',
  ages: 'The pad corrodes within months outdoors where it is always fed.',
  terminals: comparatorTerminals,
  params: [
    trimmerParam(0.5),
    { id: 'load', label: 'Load resistor', unit: 'Ω', default: 10e3, min: 100, max: 1e6 },
    {
      id: 'conductivity',
      label: 'Conductivity of the water',
      unit: 'S/m',
      default: 5e-3,
      min: 1e-4,
      max: 10,
      usual: [5e-4, 6],
      tolerance: 0.5,
    },
    { id: 'tracks', label: 'Length of all gaps', unit: 'm', default: 1.2, min: 0.01, max: 50 },
  ],
  feed: { plus: 'VCC', minus: 'GND', least: () => 3 },
  electrodes: {
    // What comes through the load resistor and does not leave at AO; the comparator's input takes next to nothing.
    amps: ({ volts: { VCC = 0, AO = 0 }, amps }, p) => (VCC - AO) / p.load + (amps.AO ?? 0),
    coulombs: ({ tracks }) => padCharge(tracks, usualGap),
  },
  ratings: comparatorRatings,
  inside,
  ownLine: inside.ownLine,
  elements: (p, state) => moduleElements(inside, p, state),
  headline: (p) => `trimmer ${Math.round(100 * p.turn)} %`,
  senses: { quantities: ['wet'], radius: () => 0.03, noise: () => 0.002 },
  curve: {
    vary: { stimulus: 'wet' },
    from: 1e-3,
    to: 1,
    scale: 'log',
    operating: [0.02, 1],
    feeds: [['VCC', 'GND', 5]],
    reads: { volts: ['AO', 'GND'] },
  },
  notes: [
    ...comparatorNotes,
    'Feed it from a pin only while reading: about 8 mA (common practice), and the pad lives longer.',
  ],
  cautions: [],
  source: 'The circuit inside, solved; 10 kΩ load as usual on such boards (from memory).',
  price: 'under 1',
  glyph: 'M2 4H22V20H2ZM9 7C11 10 12 11.5 12 13A3 3 0 0 1 6 13C6 11.5 7 10 9 7M17 8L20 12L17 16',
});
