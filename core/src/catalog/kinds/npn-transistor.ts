import { definePart } from '../define-part.js';
import { formatNominal } from '../../quantity/index.js';

export const npnTransistor = definePart({
  kind: 'npn-transistor',
  label: 'NPN transistor (2N3904)',
  summary: 'A small base current switches a larger collector current to ground.',
  prefix: 'Q',
  words: ['transistor', 'switch', 'driver', '2n3904', 'bipolar', 'low side'],
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
    { label: 'collector over emitter', from: 'c', to: 'e', limit: (p) => p.maxVolts },
    { label: 'base reversed', from: 'e', to: 'b', limit: 6 },
    { heat: (p) => p.maxWatts },
  ],
  elements: (p) => [
    { type: 'resistor', a: 'c', b: '#c', ohms: 1 },
    {
      type: 'bipolar',
      polarity: 'npn',
      collector: '#c',
      base: 'b',
      emitter: 'e',
      saturation: 6.7e-15,
      forwardGain: p.gain,
      reverseGain: 0.74,
    },
    // Above its rating it breaks down: what ends the kick of a coil without a diode.
    {
      type: 'diode',
      anode: 'e',
      cathode: 'c',
      saturation: 1e-18,
      emission: 1,
      breakdown: 1.2 * p.maxVolts,
    },
  ],
  tunable: ['gain'],
  driver: { maxAmps: (p) => p.maxAmps },
  headline: (p) => `gain ${formatNominal(p.gain, '')}`,
  transistor: { collector: 'c', base: 'b', emitter: 'e' },
  curve: {
    vary: { plus: 'v', minus: 'e' },
    from: 0,
    to: 5,
    scale: 'linear',
    operating: [0, 5],
    feeds: [['w', 'e', 12]],
    loads: [
      ['v', 'b', 10e3],
      ['w', 'c', 100],
    ],
    reads: { volts: ['c', 'e'] },
  },
  legsVary: true,
  notes: [
    'Pin order differs between types that look alike: check yours before soldering.',
    'As a switch give it about a tenth of the collector current into the base.',
  ],
  cautions: [],
  source:
    'Transport form of the model of Ebers and Moll (Proceedings of the IRE 42, 1954) with the usual constants of the type 2N3904 and 1 Ω in the collector; breaks down a fifth above its rating (from memory).',
  price: 'under 1',
  glyph: 'M9 5V19M1 12H9M9 9L18 3V1M9 15L18 21V23M14 18.2L18 21L13.2 21',
});
