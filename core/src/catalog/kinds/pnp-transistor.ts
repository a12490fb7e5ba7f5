import { definePart } from '../define-part.js';
import { formatNominal } from '../../quantity/index.js';

export const pnpTransistor = definePart({
  kind: 'pnp-transistor',
  label: 'PNP transistor (2N3906)',
  summary: 'Switches a load or a sensor to the supply when its base is pulled down.',
  prefix: 'Q',
  words: ['transistor', 'switch', 'high side', 'pnp', '2n3906', 'sensor power'],
  stage: 'drives',
  terminals: [
    { id: 'b', label: 'B', role: 'signal-in' },
    { id: 'c', label: 'C', role: 'signal-out' },
    { id: 'e', label: 'E', role: 'passive' },
  ],
  params: [
    {
      id: 'gain',
      label: 'Current gain',
      unit: '×',
      default: 150,
      min: 10,
      max: 1000,
      usual: [40, 600],
      tolerance: 0.5,
    },
    { id: 'maxAmps', label: 'Collector current', unit: 'A', default: 0.2, min: 0.01, max: 30 },
    { id: 'maxVolts', label: 'Collector voltage', unit: 'V', default: 40, min: 5, max: 400 },
    { id: 'maxWatts', label: 'Power rating', unit: 'W', default: 0.625, min: 0.1, max: 100 },
  ],
  ratings: [
    { into: 'c', limit: (p) => p.maxAmps },
    { label: 'emitter over collector', from: 'e', to: 'c', limit: (p) => p.maxVolts },
    { label: 'base reversed', from: 'b', to: 'e', limit: 5 },
    { heat: (p) => p.maxWatts },
  ],
  elements: (p) => [
    { type: 'resistor', a: 'c', b: '#c', ohms: 1 },
    {
      type: 'bipolar',
      polarity: 'pnp',
      collector: '#c',
      base: 'b',
      emitter: 'e',
      saturation: 1.4e-15,
      forwardGain: p.gain,
      reverseGain: 4,
    },
    {
      type: 'diode',
      anode: 'c',
      cathode: 'e',
      saturation: 1e-18,
      emission: 1,
      breakdown: 1.2 * p.maxVolts,
    },
  ],
  tunable: ['gain'],
  driver: { maxAmps: (p) => p.maxAmps },
  headline: (p) => `gain ${formatNominal(p.gain, '')}`,
  curve: {
    vary: { plus: 'e', minus: 'v' },
    from: 0,
    to: 5,
    scale: 'linear',
    operating: [0, 5],
    feeds: [['e', 'g', 12]],
    loads: [
      ['v', 'b', 10e3],
      ['c', 'g', 100],
    ],
    reads: { volts: ['c', 'g'] },
  },
  transistor: { collector: 'c', base: 'b', emitter: 'e' },
  legsVary: true,
  notes: [
    'Emitter to the supply. A 3.3 V or 5 V pin cannot switch it off on a 12 V supply: use a transistor in between.',
  ],
  cautions: [],
  source:
    'Transport form of the model of Ebers and Moll (Proceedings of the IRE 42, 1954) with the usual constants of the type 2N3906 (from memory).',
  price: 'under 1',
  glyph: 'M9 5V19M1 12H9M9 9L18 3V1M9 15L18 21V23M13 8.8L9.5 8.7L11.5 5.8',
});
