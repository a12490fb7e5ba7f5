import { definePart } from '../define-part.js';
import { formatNominal } from '../../quantity/index.js';

export const electrolyticCapacitor = definePart({
  kind: 'electrolytic-capacitor',
  label: 'Electrolytic capacitor',
  summary: 'A large store of charge: feeds surges, bridges short gaps in the supply.',
  prefix: 'C',
  words: ['bulk', 'reservoir', 'smooth', 'supply filter', 'electrolytic', 'delay'],
  stage: 'conditions',
  floats: true,
  terminals: [
    { id: 'plus', label: '+', role: 'passive' },
    { id: 'minus', label: '−', role: 'passive' },
  ],
  params: [
    {
      id: 'farads',
      label: 'Capacitance',
      unit: 'F',
      default: 100e-6,
      min: 1e-7,
      max: 1,
      usual: [1e-6, 10e-3],
      tolerance: 0.2,
    },
    { id: 'esr', label: 'Series resistance', unit: 'Ω', default: 0.3, min: 1e-3, max: 100 },
    { id: 'leak', label: 'Leakage resistance', unit: 'Ω', default: 2e6, min: 1e3, max: 1e12 },
    { id: 'maxVolts', label: 'Voltage rating', unit: 'V', default: 25, min: 4, max: 450 },
  ],
  ratings: [
    { label: 'voltage', from: 'plus', to: 'minus', limit: (p) => p.maxVolts },
    { label: 'reversed', from: 'minus', to: 'plus', limit: 1 },
  ],
  elements: (p) => [
    { type: 'resistor', a: 'plus', b: '#plate', ohms: p.esr },
    { type: 'capacitor', a: '#plate', b: 'minus', farads: p.farads },
    { type: 'resistor', a: 'plus', b: 'minus', ohms: p.leak },
  ],
  capacitance: {
    plus: 'plus',
    minus: 'minus',
    farads: (p) => p.farads,
    maxVolts: (p) => p.maxVolts,
    polarised: true,
  },
  headline: (p) => `${formatNominal(p.farads, 'F')}, ${formatNominal(p.maxVolts, 'V')}`,
  notes: ['The stripe marks minus. Reversed it gasses and may burst.'],
  cautions: [
    'A reversed or overvolted electrolytic capacitor can burst: wear eye protection at first power.',
  ],
  source:
    'i = C·dv/dt with series and leakage resistance as IEC 60384-4 defines them; values as typical of radial types (from memory).',
  price: 'under 1',
  glyph: 'M1 12H9M9 4V20H12V4ZM15 4V20M15 12H23M4 6V10M2 8H6',
});
