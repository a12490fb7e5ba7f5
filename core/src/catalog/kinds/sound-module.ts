import { definePart } from '../define-part.js';
import {
  comparatorInside,
  comparatorNotes,
  comparatorRatings,
  comparatorTerminals,
  trimmerParam,
} from '../comparator-module.js';
import { inner, moduleElements } from '../module.js';
import { soundLevelModule } from './sound-level-module.js';

type Values = Record<'turn' | 'sensitivity' | 'gain' | 'attack' | 'decay', number>;

const inside = comparatorInside(
  (p: Values) => [
    inner('B1', 'Microphone and amplifier', soundLevelModule, {
      sensitivity: p.sensitivity,
      gain: p.gain,
      attack: p.attack,
      decay: p.decay,
    }),
  ],
  [
    ['VCC', 'B1.VCC'],
    ['GND', 'B1.GND'],
    ['AO', 'B1.OUT'],
  ],
  'above',
);

export const soundModule = definePart({
  kind: 'sound-module',
  label: 'Sound module with comparator',
  summary: 'Electret microphone, amplifier, comparator and trimmer: yes or no to loud.',
  prefix: 'B',
  words: ['sound', 'microphone', 'clap', 'loud', 'glass', 'electret', 'noise', 'module'],
  stage: 'feels',
  ages: 'Hardly; dust over its opening makes it deaf.',
  first: { notices: 'a clap or bang', named: 'Sound', wanted: 'clap', every: 0.005 },
  terminals: comparatorTerminals,
  params: [
    trimmerParam(0.2),
    {
      id: 'sensitivity',
      label: 'Microphone',
      unit: 'V/Pa',
      default: 6.3e-3,
      min: 1e-4,
      max: 1,
      tolerance: 0.4,
    },
    { id: 'gain', label: 'Gain', unit: '×', default: 300, min: 1, max: 1e4, usual: [10, 2000] },
    { id: 'attack', label: 'Attack', unit: 's', default: 1e-3, min: 1e-5, max: 1 },
    { id: 'decay', label: 'Decay', unit: 's', default: 0.02, min: 1e-3, max: 60 },
  ],
  feed: { plus: 'VCC', minus: 'GND', least: () => 3 },
  ratings: [{ label: 'supply', from: 'VCC', to: 'GND', limit: 5.5 }, ...comparatorRatings.slice(1)],
  inside,
  ownLine: inside.ownLine,
  elements: (p, state) => moduleElements(inside, p, state),
  tunable: ['gain'],
  headline: (p) => `trimmer ${Math.round(100 * p.turn)} %`,
  senses: { quantities: ['sound'], noise: () => 5e-4, rises: 'AO' },
  curve: {
    vary: { stimulus: 'sound' },
    from: 1e-3,
    to: 10,
    scale: 'log',
    operating: [0.01, 1.5],
    feeds: [['VCC', 'GND', 5]],
    reads: { volts: ['AO', 'GND'] },
  },
  notes: [
    ...comparatorNotes,
    'DO is low for the milliseconds that a clap lasts: use an interrupt, or latch it.',
  ],
  cautions: [],
  source: 'The circuit inside, solved; levels as of the sound-level module (from memory).',
  price: 'under 1',
  glyph:
    'M2 4H22V20H2ZM8 7A2.5 2.5 0 0 1 13 7V11A2.5 2.5 0 0 1 8 11ZM6 11A4.5 4.5 0 0 0 15 11M10.5 15.5V18M17 8L20 12L17 16',
});
