import { definePart } from '../define-part.js';
import { formatNominal } from '../../quantity/index.js';

export const halfBridge = definePart({
  kind: 'half-bridge',
  label: 'Half-bridge driver',
  summary: 'Pulls its output firmly up or down: two of them turn a motor either way.',
  prefix: 'U',
  words: ['h bridge', 'motor driver', 'push-pull', 'reverse', 'half bridge', 'direction'],
  stage: 'drives',
  terminals: [
    { id: 'in', label: 'IN', role: 'signal-in' },
    { id: 'out', label: 'OUT', role: 'signal-out' },
    { id: 'vm', label: 'VM', role: 'supply-in' },
    { id: 'gnd', label: 'GND', role: 'ground' },
  ],
  params: [
    { id: 'threshold', label: 'Input threshold', unit: 'V', default: 1.5, min: 0.5, max: 5 },
    { id: 'ohms', label: 'Output resistance', unit: 'Ω', default: 0.3, min: 1e-3, max: 100 },
    { id: 'maxAmps', label: 'Output current', unit: 'A', default: 1.5, min: 0.01, max: 50 },
  ],
  feed: { plus: 'vm', minus: 'gnd', least: () => 5 },
  ratings: [
    { into: 'out', limit: (p) => p.maxAmps },
    { label: 'supply', from: 'vm', to: 'gnd', limit: 40 },
    { label: 'input voltage', from: 'in', to: 'gnd', limit: 7 },
    { heat: 2 },
  ],
  elements: (p) => {
    const contact = {
      type: 'contact',
      control: 'in',
      on: p.threshold,
      off: 0.8 * p.threshold,
      ohms: p.ohms,
      bounce: 0,
    } as const;
    return [
      { ...contact, a: 'vm', b: 'out', rests: 'open' },
      { ...contact, a: 'out', b: 'gnd', rests: 'closed' },
      { type: 'resistor', a: 'in', b: 'gnd', ohms: 100e3 },
      { type: 'resistor', a: 'vm', b: 'gnd', ohms: 20e3 },
      { type: 'diode', anode: 'gnd', cathode: 'out', saturation: 1e-10, emission: 1.3 },
      { type: 'diode', anode: 'out', cathode: 'vm', saturation: 1e-10, emission: 1.3 },
    ];
  },
  tunable: ['ohms'],
  driver: { maxAmps: (p) => p.maxAmps },
  headline: (p) => formatNominal(p.maxAmps, 'A'),
  curve: {
    vary: { plus: 'in', minus: 'gnd' },
    from: 0,
    to: 5,
    scale: 'linear',
    operating: [0, 5],
    feeds: [['vm', 'gnd', 12]],
    loads: [['out', 'gnd', 1000]],
    reads: { volts: ['out', 'gnd'] },
  },
  notes: [
    'Its ground and the controller’s must be joined. The pulses of a motor belong on a thick wire of their own.',
  ],
  cautions: [],
  source:
    'A resistance to either rail by the input, with diodes to both; values as typical of small motor drivers (from memory).',
  price: '1 to 5',
  glyph: 'M4 3H20V21H4ZM1 12H4M20 12H23M12 3V8L15 11V13L12 16V21',
});
