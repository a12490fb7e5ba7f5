import { into } from '../solved-values.js';
import { definePart } from '../define-part.js';
import { formatNominal } from '../../quantity/index.js';

/** Below this it no longer regulates, A. */
const leastAmps = 1e-3;

export const voltageReference = definePart({
  kind: 'voltage-reference',
  label: 'Voltage reference, 2.5 V shunt',
  summary: 'Holds a steady voltage for a converter or a comparator.',
  prefix: 'U',
  words: ['reference', '431', 'steady', 'aref', 'shunt', 'precise'],
  stage: 'conditions',
  floats: true,
  terminals: [
    { id: 'a', label: 'A', role: 'passive' },
    { id: 'k', label: 'K', role: 'signal-out' },
  ],
  params: [
    {
      id: 'volts',
      label: 'Voltage',
      unit: 'V',
      default: 2.495,
      min: 1.2,
      max: 10,
      tolerance: 0.01,
    },
    { id: 'ohms', label: 'Slope resistance', unit: 'Ω', default: 0.2, min: 0.01, max: 10 },
  ],
  ratings: [
    { into: 'k', limit: 0.1 },
    {
      id: 'starved',
      label: 'least current over the present one',
      unit: '×',
      limit: () => 1,
      stress: (part) => leastAmps / Math.max(1e-9, Math.abs(into(part, 'k'))),
    },
  ],
  elements: (p) => [
    {
      type: 'diode',
      anode: 'a',
      cathode: '#bulk',
      saturation: 1e-14,
      emission: 1,
      breakdown: p.volts - 1e-3 * p.ohms,
    },
    { type: 'resistor', a: '#bulk', b: 'k', ohms: p.ohms },
  ],
  tunable: ['ohms'],
  headline: (p) => formatNominal(p.volts, 'V'),
  curve: {
    vary: { plus: 'v', minus: 'a' },
    from: 0,
    to: 12,
    scale: 'linear',
    operating: [3.3, 12],
    loads: [['v', 'k', 1000]],
    reads: { volts: ['k', 'a'] },
  },
  notes: ['Cathode through a resistor to the supply; it needs 1 mA to hold its voltage.'],
  cautions: [],
  source:
    'Stated voltage at 1 mA, exponential knee and slope resistance of a 431-type used as a 2.5 V shunt (from memory).',
  price: 'under 1',
  glyph: 'M1 12H7M7 6V18L17 12ZM14 6H17V18H20M17 12H23M12 3V8',
});
