import { across, at } from '../solved-values.js';
import { definePart } from '../define-part.js';
import { formatNominal, formatQuantity } from '../../quantity/index.js';
import { kickBounds } from '../coil.js';
import { choice } from '../choice.js';
import { copperAt } from '../copper.js';
import { waterWay, waterWays } from '../water-way.js';

export const valve12v = definePart({
  kind: 'valve-12v',
  label: 'Solenoid valve, 12 V',
  summary: 'Opens a pipe while its coil is fed, closed by a spring.',
  prefix: 'Y',
  words: ['valve', 'water', 'gas', 'solenoid', 'pipe', 'shut off', 'irrigation', 'sprinkler'],
  stage: 'acts',
  answers: { by: 'valve', named: 'Valve', stage: 'mosfet-stage' },
  terminals: [
    { id: 'plus', label: '+', role: 'coil' },
    { id: 'minus', label: '−', role: 'coil' },
  ],
  stateNodes: ['#armature'],
  params: [
    { id: 'volts', label: 'Voltage', unit: 'V', default: 12, min: 3, max: 48 },
    { id: 'ohms', label: 'Coil', unit: 'Ω', default: 24, min: 1, max: 5000, tolerance: 0.1 },
    { id: 'henries', label: 'Inductance', unit: 'H', default: 0.12, min: 1e-4, max: 10 },
    { id: 'opens', label: 'Opens from', unit: 'V', default: 8.5, min: 0.5, max: 48 },
    { id: 'closes', label: 'Closes below', unit: 'V', default: 2.5, min: 0.1, max: 48 },
    { id: 'flow', label: 'Lets through', unit: 'L/min', default: 10, min: 0, max: 1000 },
    choice('way', 'Lets water', waterWays, 'into the tank'),
  ],
  ratings: [
    { label: 'coil voltage', from: 'plus', to: 'minus', limit: (p) => 1.15 * p.volts },
    { label: 'coil voltage, reversed', from: 'minus', to: 'plus', limit: (p) => 1.15 * p.volts },
  ],
  elements: (p, state) => [
    {
      type: 'relay-coil',
      plus: 'plus',
      minus: 'minus',
      armature: '#armature',
      ohms: copperAt(p.ohms, state.celsius),
      henries: p.henries,
      pullIn: p.opens / p.ohms,
      dropOut: Math.min(p.closes, p.opens) / p.ohms,
      operate: 0.03,
      release: 0.04,
      latching: false,
      polarised: false,
    },
    ...kickBounds('plus', 'minus', p.ohms, 50, 1e-9),
  ],
  load: { volts: (p) => p.volts, amps: (p) => p.volts / p.ohms },
  tunable: ['ohms'],
  headline: (p) => `${formatNominal(p.volts, 'V')}, ${formatNominal(p.ohms, 'Ω')}`,
  acts: {
    word: 'switched',
    does: 'moves',
    active: (part) => at(part, '#armature') > 0.5,
    because: (part, p) =>
      `${formatQuantity(across(part, 'plus', 'minus'), 'V')} over its coil; it moves from ${formatNominal(p.opens, 'V')}`,
  },
  moves: { water: (part, p) => (at(part, '#armature') > 0.5 ? waterWay(p.way) * p.flow : 0) },
  coil: {
    plus: 'plus',
    minus: 'minus',
    henries: (p) => p.henries,
    pullIn: (p) => p.opens,
    dropOut: (p) => p.closes,
  },
  curve: {
    vary: { plus: 'plus', minus: 'minus' },
    from: 0,
    to: 13,
    scale: 'linear',
    operating: [10, 13],
    reads: { inner: '#armature', label: 'Moved', unit: '' },
  },
  notes: [
    'Decide what a dead supply should do: gas shuts, a sprinkler may have to open.',
    'Many need a least water pressure to open.',
    'Some are made the other way about and shut while fed.',
    'What flows through it is a number given, not worked out from a pressure.',
    'Half an ampere all the while it is on: its coil gets hot.',
  ],
  cautions: ['Shut-off of gas must fail safe and belongs to approved parts and a licensed fitter.'],
  source:
    'Coil as R and L (Fitzgerald, Kingsley and Umans, Electric Machinery) with opening and closing current and travel time; 24 Ω as typical of 12 V, 6 W valves (from memory).',
  price: '5 to 20',
  glyph: 'M2 12L12 17L22 12V22L12 17L2 22ZM12 17V9M8 2H16V9H8ZM8 5.5H16',
});
