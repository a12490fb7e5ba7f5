import { definePart } from '../define-part.js';
import { formatNominal } from '../../quantity/index.js';

export const capacitor = definePart({
  kind: 'capacitor',
  label: 'Capacitor',
  summary: 'Holds a voltage for a moment: filters, delays, keeps noise out.',
  prefix: 'C',
  words: ['filter', 'decoupling', 'delay', 'ceramic', 'film', '100n', 'smooth'],
  stage: 'conditions',
  floats: true,
  terminals: [
    { id: 'a', label: 'a', role: 'passive' },
    { id: 'b', label: 'b', role: 'passive' },
  ],
  params: [
    {
      id: 'farads',
      label: 'Capacitance',
      unit: 'F',
      default: 100e-9,
      min: 1e-13,
      max: 1,
      usual: [1e-12, 100e-6],
      tolerance: 0.1,
    },
    { id: 'esr', label: 'Series resistance', unit: 'Ω', default: 0.05, min: 1e-3, max: 100 },
    { id: 'leak', label: 'Leakage resistance', unit: 'Ω', default: 1e10, min: 1e3, max: 1e14 },
    { id: 'maxVolts', label: 'Voltage rating', unit: 'V', default: 50, min: 1, max: 2000 },
  ],
  ratings: [
    { label: 'voltage', from: 'a', to: 'b', limit: (p) => p.maxVolts },
    { label: 'voltage, reversed', from: 'b', to: 'a', limit: (p) => p.maxVolts },
  ],
  elements: (p) => [
    { type: 'resistor', a: 'a', b: '#plate', ohms: p.esr },
    { type: 'capacitor', a: '#plate', b: 'b', farads: p.farads },
    { type: 'resistor', a: 'a', b: 'b', ohms: p.leak },
  ],
  capacitance: {
    plus: 'a',
    minus: 'b',
    farads: (p) => p.farads,
    maxVolts: (p) => p.maxVolts,
    polarised: false,
  },
  headline: (p) => formatNominal(p.farads, 'F'),
  notes: ['Either way round. 100 nF close to each chip is the usual decoupling (common practice).'],
  cautions: [],
  source:
    'i = C·dv/dt with series and leakage resistance as IEC 60384-1 defines them; values as typical of film types (from memory).',
  price: 'under 1',
  glyph: 'M1 12H10M10 4V20M14 4V20M14 12H23',
});
