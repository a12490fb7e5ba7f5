import { definePart } from '../define-part.js';
import { supplyLimits } from '../limit.js';
import { formatNominal } from '../../quantity/index.js';
import { draws, ratiometric } from '../sensor-output.js';

const gravity = 9.80665;
/** Fresh water, kg/m³. */
const density = 1000;

export const pressureLevel = definePart({
  kind: 'pressure-level',
  label: 'Pressure level sensor',
  summary:
    'Tells the depth of water above it by its pressure: half a volt empty, four and a half full.',
  prefix: 'B',
  words: ['pressure', 'level', 'depth', 'water', 'tank', 'well', 'liquid'],
  stage: 'feels',
  ages: 'Its zero drifts by some millimetres of water a year.',
  terminals: [
    { id: 'VCC', label: 'VCC', role: 'supply-in' },
    { id: 'GND', label: 'GND', role: 'ground' },
    { id: 'OUT', label: 'OUT', role: 'signal-out' },
  ],
  params: [
    { id: 'foot', label: 'Lies at', unit: 'm', default: 0, min: 0, max: 50 },
    { id: 'full', label: 'Full scale', unit: 'Pa', default: 20e3, min: 500, max: 2e6 },
    { id: 'error', label: 'Error of full scale', unit: '', default: 0, min: -0.05, max: 0.05 },
    { id: 'own', label: 'Own current', unit: 'A', default: 5e-3, min: 1e-5, max: 0.05 },
    { id: 'noise', label: 'Noise', unit: 'm', default: 2e-3, min: 0, max: 0.1 },
  ],
  feed: { plus: 'VCC', minus: 'GND', least: () => 4.5 },
  ratings: [...supplyLimits('VCC', 'GND', 5.5, 0.3), { into: 'OUT', limit: 0.005 }],
  elements: (p, state) => {
    const pascal = density * gravity * Math.max(0, state.stimulus.water - p.foot);
    // A tenth of the supply empty, nine tenths full.
    return [
      draws('VCC', 'GND', p.own, 5),
      ...ratiometric(0.1 + 0.8 * (Math.min(1.1, pascal / p.full) + p.error), {
        output: 'OUT',
        supply: 'VCC',
        ground: 'GND',
      }),
    ];
  },
  ownAmps: (p) => p.own,
  headline: (p) => formatNominal(p.full, 'Pa'),
  senses: { quantities: ['water'], noise: (p) => p.noise, rises: 'OUT' },
  curve: {
    vary: { stimulus: 'water' },
    from: 0,
    to: 2.5,
    scale: 'linear',
    operating: [0, 2.04],
    feeds: [['VCC', 'GND', 5]],
    reads: { volts: ['OUT', 'GND'] },
  },
  notes: [
    'Below a tenth or above nine tenths of the supply something is broken: a free check.',
    'A sealed one reads the weather too: take a vented one.',
  ],
  cautions: [],
  source:
    'ρ·g·h over full scale, ratiometric 0.1 … 0.9 of the supply, as usual for such sensors (from memory).',
  price: '5 to 20',
  glyph:
    'M4 12H20V20H4ZM12 20V23M1 5Q4 3 7 5T13 5T19 5T23 5M8 7V11M6.5 9.5L8 11L9.5 9.5M16 7V11M14.5 9.5L16 11L17.5 9.5',
});
