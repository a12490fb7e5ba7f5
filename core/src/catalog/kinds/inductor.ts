import { definePart } from '../define-part.js';
import { formatNominal } from '../../quantity/index.js';
import { copperAt } from '../copper.js';

export const inductor = definePart({
  kind: 'inductor',
  label: 'Inductor',
  summary: 'Resists changes of current: filters, chokes, windings.',
  prefix: 'L',
  words: ['coil', 'choke', 'filter', 'inductor', 'winding'],
  stage: 'conditions',
  floats: true,
  terminals: [
    { id: 'a', label: 'a', role: 'passive' },
    { id: 'b', label: 'b', role: 'passive' },
  ],
  params: [
    {
      id: 'henries',
      label: 'Inductance',
      unit: 'H',
      default: 1e-3,
      min: 1e-8,
      max: 100,
      tolerance: 0.2,
    },
    { id: 'ohms', label: 'Winding resistance', unit: 'Ω', default: 1, min: 1e-3, max: 1e5 },
    { id: 'maxAmps', label: 'Current rating', unit: 'A', default: 0.5, min: 1e-3, max: 100 },
  ],
  ratings: [{ into: 'a', limit: (p) => p.maxAmps }],
  elements: (p, state) => [
    {
      type: 'inductor',
      a: 'a',
      b: 'b',
      henries: p.henries,
      ohms: copperAt(p.ohms, state.celsius),
    },
    // Losses and winding capacitance bound its kick.
    {
      type: 'resistor',
      a: 'a',
      b: 'b',
      ohms: 5e3 * Math.sqrt(p.henries / 1e-3) + 1e3 * p.ohms,
    },
    { type: 'resistor', a: 'a', b: '#winding', ohms: 100 + 5 * p.ohms },
    { type: 'capacitor', a: '#winding', b: 'b', farads: 20e-12 },
  ],
  tunable: ['ohms'],
  headline: (p) => formatNominal(p.henries, 'H'),
  curve: {
    vary: { plus: 'a', minus: 'b' },
    from: 0,
    to: 1,
    scale: 'linear',
    operating: [0, 1],
    reads: { amps: 'a' },
  },
  notes: ['Switched off without a way round, it lifts its voltage until something gives.'],
  cautions: [],
  source: 'v = R·i + L·di/dt with losses and winding capacitance (from memory).',
  price: 'under 1',
  glyph: 'M1 12H4C4 8 8 8 8 12C8 8 12 8 12 12C12 8 16 8 16 12C16 8 20 8 20 12H23',
});
