import type { PartKind } from '../part-kind.js';
import { ampsRating, voltsRating } from '../ratings.js';

export const schmittInverter: PartKind = {
  kind: 'schmitt-inverter',
  label: 'Schmitt inverter (74HC14 type)',
  summary: 'Turns a slow or noisy signal into a clean yes or no, inverted.',
  prefix: 'U',
  words: ['schmitt', 'inverter', '7414', 'gate', 'logic', 'debounce', 'clean'],
  stage: 'decides',
  terminals: [
    { id: 'in', label: 'IN', role: 'signal-in' },
    { id: 'out', label: 'OUT', role: 'signal-out' },
    { id: 'vcc', label: 'VCC', role: 'supply-in' },
    { id: 'gnd', label: 'GND', role: 'ground' },
  ],
  params: [
    {
      id: 'rising',
      label: 'Upper threshold of supply',
      unit: '',
      default: 0.56,
      min: 0.3,
      max: 0.9,
      tolerance: 0.15,
    },
    {
      id: 'falling',
      label: 'Lower threshold of supply',
      unit: '',
      default: 0.36,
      min: 0.1,
      max: 0.7,
      tolerance: 0.15,
    },
    { id: 'ohms', label: 'Output resistance', unit: 'Ω', default: 40, min: 1, max: 1e4 },
  ],
  ratings: [
    voltsRating('vcc', 'gnd', 'supply', () => 6),
    voltsRating('gnd', 'vcc', 'supply reversed', () => 0.5),
    voltsRating('in', 'vcc', 'input above the supply', () => 0.5),
    voltsRating('gnd', 'in', 'input below ground', () => 0.5),
    ampsRating('out', () => 0.025),
  ],
  elements: (p) => [
    {
      type: 'schmitt',
      input: 'in',
      output: 'out',
      supply: 'vcc',
      ground: 'gnd',
      inverts: true,
      rising: Math.max(p['rising'], p['falling']),
      falling: Math.min(p['rising'], p['falling']),
      ohms: p['ohms'],
      delay: 15e-9,
    },
    { type: 'resistor', a: 'vcc', b: 'gnd', ohms: 5e6 },
    { type: 'capacitor', a: 'in', b: 'gnd', farads: 3.5e-12 },
    { type: 'diode', anode: 'in', cathode: 'vcc', saturation: 1e-14, emission: 1 },
    { type: 'diode', anode: 'gnd', cathode: 'in', saturation: 1e-14, emission: 1 },
  ],
  headline: () => 'inverts',
  notes: ['Tie unused inputs to a rail: a floating input oscillates.'],
  cautions: [],
  source:
    'Published data sheet of the 74HC14 type: thresholds at 4.5 V, clamps, 25 mA, 15 ns (from memory).',
  price: 'under 1',
  glyph:
    'M4 4V20L17 12ZM1 12H4M17 12A1.5 1.5 0 1 0 20 12A1.5 1.5 0 1 0 17 12M20 12H23M7 14H9V10H11',
};
