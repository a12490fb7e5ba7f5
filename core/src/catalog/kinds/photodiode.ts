import { definePart } from '../define-part.js';
import { formatNominal } from '../../quantity/index.js';

export const photodiode = definePart({
  kind: 'photodiode',
  label: 'Infrared photodiode',
  summary: 'A small, fast current in proportion to infrared.',
  prefix: 'B',
  words: ['infrared', 'light', 'photo', 'diode', 'fast', 'flame', 'beam'],
  stage: 'feels',
  ages: 'Hardly; its window soils: wipe it and set the line anew.',
  terminals: [
    { id: 'a', label: 'A', role: 'signal-out' },
    { id: 'k', label: 'K', role: 'passive' },
  ],
  params: [
    {
      id: 'sensitivity',
      label: 'Sensitivity',
      unit: 'A·m²/W',
      default: 5e-6,
      min: 1e-8,
      max: 1e-3,
      tolerance: 0.3,
    },
    { id: 'dark', label: 'Dark current', unit: 'A', default: 2e-9, min: 0, max: 1e-6 },
    { id: 'farads', label: 'Capacitance', unit: 'F', default: 70e-12, min: 1e-13, max: 1e-8 },
    { id: 'halfAngle', label: 'Half-angle', unit: '°', default: 60, min: 1, max: 85 },
    { id: 'lens', label: 'Lens gain', unit: '×', default: 1, min: 1, max: 200 },
    { id: 'radius', label: 'Opening radius', unit: 'm', default: 0.0015, min: 0.0005, max: 0.1 },
  ],
  ratings: [{ label: 'reverse voltage', from: 'k', to: 'a', limit: 32 }, { heat: 0.15 }],
  elements: (p, state) => [
    { type: 'diode', anode: 'a', cathode: 'k', saturation: 1e-11, emission: 1.2 },
    {
      type: 'current-source',
      from: 'k',
      to: 'a',
      amps: p.sensitivity * Math.max(0, state.stimulus.infrared) + p.dark,
    },
    { type: 'capacitor', a: 'a', b: 'k', farads: p.farads },
  ],
  tunable: ['halfAngle'],
  ownFarads: (p) => p.farads,
  headline: (p) => `±${formatNominal(p.halfAngle, '°')}`,
  senses: {
    quantities: ['infrared'],
    halfAngle: (p) => p.halfAngle,
    gain: (p) => p.lens,
    radius: (p) => p.radius,
    rises: 'a',
  },
  curve: {
    vary: { stimulus: 'infrared' },
    from: 0.01,
    to: 100,
    scale: 'log',
    operating: [0.1, 50],
    feeds: [['k', 'g', 5]],
    loads: [['a', 'g', 100e3]],
    reads: { volts: ['a', 'g'] },
  },
  notes: [
    'Used backwards: cathode to +, the load at its anode. Its current is a hundredth of a phototransistor’s.',
  ],
  cautions: [],
  source:
    'Photocurrent beside the diode equation (Sze and Ng, Physics of Semiconductor Devices, 3rd ed. 2007), junction capacitance; values as typical of 5 mm types (from memory).',
  price: 'under 1',
  glyph: 'M1 12H7M7 6V18L17 12ZM17 6V18M17 12H23M8 1L12 5M9 5L12 5L12 2M14 1L18 5M15 5L18 5L18 2',
});
