import { definePart } from '../define-part.js';
import { choice } from '../choice.js';
import { supplyLimits } from '../limit.js';
import { draws, yesNo } from '../sensor-output.js';

/** Time constants after which all but a twentieth of what lies on it is learnt. */
const learnt = 3;

export const touchModule = definePart({
  kind: 'touch-module',
  label: 'Touch module',
  summary: 'A touch chip with its pad: yes or no to a finger, through a thin cover too.',
  prefix: 'S',
  words: ['touch', 'finger', 'capacitive', 'button', 'pad', 'hand', 'press'],
  stage: 'feels',
  ages: 'Hardly; damp and dirt on its plate shift it.',
  ready: true,
  first: { notices: 'a touch', named: 'Touch', wanted: 'finger-touches', every: 0.02 },
  terminals: [
    { id: 'VCC', label: 'VCC', role: 'supply-in' },
    { id: 'OUT', label: 'OUT', role: 'signal-out' },
    { id: 'GND', label: 'GND', role: 'ground' },
  ],
  params: [
    choice('active', 'Output when touched', ['low', 'high'], 'high'),
    {
      id: 'least',
      label: 'Answers from',
      unit: 'F',
      default: 2e-12,
      min: 0.1e-12,
      max: 50e-12,
      tolerance: 0.3,
    },
    { id: 'pad', label: 'Pad radius', unit: 'm', default: 0.006, min: 0.001, max: 0.1 },
    { id: 'recalibrates', label: 'Learns anew within', unit: 's', default: 60, min: 1, max: 1000 },
    { id: 'wakes', label: 'Answers within', unit: 's', default: 0.06, min: 1e-3, max: 1 },
  ],
  feed: { plus: 'VCC', minus: 'GND', least: () => 2 },
  ratings: [...supplyLimits('VCC', 'GND', 5.5, 0.3), { into: 'OUT', limit: 0.008 }],
  elements: (p, state) => [
    draws('VCC', 'GND', 3e-6, 3),
    {
      type: 'level',
      node: '#touch',
      value: state.stimulus.touch / p.least,
      up: p.wakes / 3,
      down: 0.03,
    },
    // What lies on it is taken for surroundings in the end: its limit follows, and a touch must stand out from that.
    {
      type: 'level',
      node: '#least',
      value: 1 + state.stimulus.touch / p.least,
      up: p.recalibrates / learnt,
      down: p.recalibrates / learnt,
      rests: 1,
    },
    yesNo({
      signal: '#touch',
      limit: '#least',
      output: '#chip',
      supply: 'VCC',
      ground: 'GND',
      hysteresis: 0.2,
      stage: 'push-pull',
      whenOver: p.active === 'high' ? 'high' : 'low',
    }),
    { type: 'resistor', a: '#chip', b: 'OUT', ohms: 200 },
  ],
  phases: [
    { label: 'watching', amps: () => 3e-6 },
    { label: 'just touched', amps: () => 15e-6 },
  ],
  headline: (p) => (p.active === 'high' ? 'high when touched' : 'low when touched'),
  senses: {
    quantities: ['touch'],
    radius: (p) => p.pad,
    noise: () => 0.05e-12,
  },
  curve: {
    vary: { stimulus: 'touch' },
    from: 0,
    to: 20e-12,
    scale: 'linear',
    operating: [2e-12, 20e-12],
    feeds: [['VCC', 'GND', 3.3]],
    loads: [['OUT', 'GND', 100e3]],
    reads: { volts: ['OUT', 'GND'] },
  },
  notes: [
    'It comes high-active and low-active: read the marking, or touch it with a meter on OUT.',
    'It learns its surroundings anew: what lies on it for a minute is no touch any more, and for a while after it is gone a feeble touch is none either.',
    'Nearby hands, water on the cover and long wires to the pad trigger it.',
    'A touch is an edge, not a state: act when it begins.',
    'On a 3.3 V board feed it with 3.3 V, so that its output never reaches 5 V.',
  ],
  cautions: [],
  source:
    'Threshold on the capacitance a finger adds, with hysteresis and 60 ms answer in its sleeping mode, as typical of one-key touch chips (from memory).',
  price: 'under 1',
  glyph:
    'M3 16H21V21H3ZM12 16V13M9 13C9 11 8 10 8 8L8 5A1.5 1.5 0 0 1 11 5V9M11 7A1.5 1.5 0 0 1 14 8V9M14 8.5A1.5 1.5 0 0 1 17 9.5V13',
});
