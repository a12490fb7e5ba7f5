import { formatNominal } from '../../quantity/index.js';
import type { PartKind } from '../part-kind.js';
import { ampsRating, voltsRating } from '../ratings.js';

export const thyristor: PartKind = {
  kind: 'thyristor',
  label: 'Thyristor, sensitive gate',
  summary:
    'Once fired it stays on until its current is cut: an alarm that latches without a controller.',
  prefix: 'Q',
  words: ['scr', 'latch', 'thyristor', 'burglar', 'loop', 'stay on', 'memory'],
  stage: 'drives',
  terminals: [
    { id: 'a', label: 'A', role: 'signal-out' },
    { id: 'g', label: 'G', role: 'signal-in' },
    { id: 'k', label: 'K', role: 'passive' },
  ],
  params: [
    {
      id: 'trigger',
      label: 'Gate trigger current',
      unit: 'A',
      default: 0.2e-3,
      min: 1e-6,
      max: 0.2,
      tolerance: 0.5,
    },
    { id: 'latching', label: 'Latching current', unit: 'A', default: 6e-3, min: 1e-4, max: 1 },
    {
      id: 'holding',
      label: 'Holding current',
      unit: 'A',
      default: 5e-3,
      min: 1e-4,
      max: 1,
      tolerance: 0.5,
    },
    { id: 'maxAmps', label: 'Current rating', unit: 'A', default: 0.8, min: 0.1, max: 50 },
    { id: 'maxVolts', label: 'Blocking voltage', unit: 'V', default: 100, min: 20, max: 1200 },
  ],
  ratings: [
    ampsRating('a', (p) => p['maxAmps']),
    voltsRating('a', 'k', 'blocking voltage', (p) => p['maxVolts']),
    voltsRating('k', 'a', 'reverse voltage', (p) => p['maxVolts']),
    ampsRating('g', (p) => 500 * p['trigger']),
    voltsRating('k', 'g', 'gate reversed', () => 5),
  ],
  elements: (p) => [
    {
      type: 'thyristor',
      anode: 'a',
      gate: 'g',
      cathode: 'k',
      trigger: p['trigger'],
      latching: p['latching'],
      holding: p['holding'],
      dropVolts: 0.9,
      dropOhms: 0.4 / p['maxAmps'],
    },
  ],
  headline: (p) => `gate ${formatNominal(p['trigger'], 'A')}`,
  curve: {
    vary: { plus: 'v', minus: 'k' },
    from: 0,
    to: 5,
    scale: 'linear',
    operating: [1, 5],
    feeds: [['w', 'k', 12]],
    loads: [
      ['v', 'g', 10e3],
      ['w', 'a', 100],
    ],
    reads: { volts: ['a', 'k'] },
  },
  legsVary: true,
  notes: [
    'Lets go when its current falls under the holding current: a bell that interrupts itself needs a bleed resistor beside it.',
    'A resistor and a small capacitor from gate to cathode keep noise from firing it.',
    'Pin order differs between types: check yours.',
  ],
  cautions: [],
  source:
    'Blocking and conducting states with trigger, latching and holding currents as typical of the type 2N5061 (from memory).',
  price: 'under 1',
  glyph: 'M1 12H7M7 6V18L17 12ZM17 6V18M17 12H23M17 15L22 21',
};
