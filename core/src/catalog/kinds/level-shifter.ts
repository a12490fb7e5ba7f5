import { definePart } from '../define-part.js';
import { formatNominal } from '../../quantity/index.js';

export const levelShifter = definePart({
  kind: 'level-shifter',
  label: 'Level shifter, one line',
  summary: 'Joins a 3.3 V line and a 5 V line, both ways, without harm to either.',
  prefix: 'U',
  words: ['level', 'shifter', '3.3 v', '5 v', 'translate', 'bus', 'protect'],
  stage: 'conditions',
  terminals: [
    { id: 'low', label: 'low side', role: 'passive' },
    { id: 'lv', label: 'LV', role: 'supply-in' },
    { id: 'high', label: 'high side', role: 'passive' },
    { id: 'hv', label: 'HV', role: 'supply-in' },
  ],
  passes: [['low', 'high']],
  params: [
    {
      id: 'pullUp',
      label: 'Pull-up resistors',
      unit: 'Ω',
      default: 10e3,
      min: 500,
      max: 1e6,
      tolerance: 0.05,
    },
  ],
  ratings: [
    { label: 'low supply above the high one', from: 'lv', to: 'hv', limit: 0.5 },
    { into: 'low', limit: 0.1 },
  ],
  elements: (p) => [
    { type: 'resistor', a: 'lv', b: 'low', ohms: p.pullUp },
    { type: 'resistor', a: 'hv', b: 'high', ohms: p.pullUp },
    {
      type: 'mosfet',
      polarity: 'n',
      drain: 'high',
      gate: 'lv',
      source: 'low',
      threshold: 1.3,
      beta: 0.3,
    },
    { type: 'diode', anode: 'low', cathode: 'high', saturation: 1e-12, emission: 1.1 },
    { type: 'capacitor', a: 'lv', b: 'low', farads: 30e-12 },
  ],
  headline: (p) => formatNominal(p.pullUp, 'Ω'),
  curve: {
    vary: { plus: 'v', minus: 'g' },
    from: 0,
    to: 3.3,
    scale: 'linear',
    operating: [0, 3.3],
    feeds: [
      ['lv', 'g', 3.3],
      ['hv', 'g', 5],
    ],
    loads: [
      ['v', 'low', 100],
      ['high', 'g', 1e6],
    ],
    reads: { volts: ['high', 'g'] },
  },
  notes: ['Pulls up with its resistors: too slow for fast signals on long wires.'],
  cautions: [],
  source:
    'The usual circuit of one MOSFET and two pull-ups (application notes on bus level shifting; values from memory).',
  price: '1 to 5',
  glyph: 'M3 4H21V20H3ZM1 16H8M16 8H23M8 16V12H16V8M12 9V12',
});
