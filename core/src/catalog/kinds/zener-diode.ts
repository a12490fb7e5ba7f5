import { definePart } from '../define-part.js';
import { formatNominal } from '../../quantity/index.js';

export const zenerDiode = definePart({
  kind: 'zener-diode',
  label: 'Zener diode',
  summary: 'Conducts backwards from a set voltage: a clamp or a plain reference.',
  prefix: 'D',
  words: ['clamp', 'reference', 'zener', 'protect', 'surge', 'limit'],
  stage: 'conditions',
  floats: true,
  terminals: [
    { id: 'a', label: 'A', role: 'passive' },
    { id: 'k', label: 'K', role: 'passive' },
  ],
  params: [
    {
      id: 'volts',
      label: 'Zener voltage',
      unit: 'V',
      default: 5.1,
      min: 2.4,
      max: 200,
      tolerance: 0.05,
    },
    { id: 'ohms', label: 'Slope resistance', unit: 'Ω', default: 7, min: 0.1, max: 500 },
    { id: 'watts', label: 'Power rating', unit: 'W', default: 0.5, min: 0.1, max: 10 },
  ],
  ratings: [{ heat: (p) => p.watts }],
  elements: (p) => [
    {
      type: 'diode',
      anode: 'a',
      cathode: '#bulk',
      saturation: 1e-14,
      emission: 1,
      breakdown: Math.max(0.5, p.volts - 5e-3 * p.ohms - 0.041),
    },
    { type: 'resistor', a: '#bulk', b: 'k', ohms: p.ohms },
  ],
  clamps: { from: 'a', to: 'k' },
  tunable: ['ohms'],
  headline: (p) => formatNominal(p.volts, 'V'),
  curve: {
    vary: { plus: 'v', minus: 'a' },
    from: 0,
    to: 12,
    scale: 'linear',
    operating: [6, 12],
    loads: [['v', 'k', 1000]],
    reads: { volts: ['k', 'a'] },
  },
  notes: ['Used backwards: the band goes to the higher voltage.'],
  cautions: [],
  source:
    'Stated voltage at 5 mA (the usual test current), knee and differential resistance as IEC 60747-3 defines them (from memory).',
  price: 'under 1',
  glyph: 'M1 12H7M7 6V18L17 12ZM14 6H17V18H20M17 12H23',
});
