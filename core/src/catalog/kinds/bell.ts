import { across } from '../solved-values.js';
import { beginsAnew } from '../chopped.js';
import { definePart } from '../define-part.js';
import { formatNominal, formatQuantity } from '../../quantity/index.js';
import { copperAt } from '../copper.js';
import { kickBounds } from '../coil.js';

export const bell = definePart({
  kind: 'bell',
  label: 'Bell that interrupts itself',
  summary: 'A hammer, a gong, and a contact that its own coil opens.',
  prefix: 'P',
  words: ['bell', 'gong', 'ring', 'alarm', 'loud', 'doorbell'],
  stage: 'acts',
  terminals: [
    { id: 'plus', label: '+', role: 'coil' },
    { id: 'minus', label: '−', role: 'coil' },
  ],
  params: [
    { id: 'volts', label: 'Rated voltage', unit: 'V', default: 12, min: 1.5, max: 48 },
    { id: 'ohms', label: 'Coil resistance', unit: 'Ω', default: 24, min: 0.5, max: 1e4 },
    { id: 'henries', label: 'Coil inductance', unit: 'H', default: 0.05, min: 1e-4, max: 10 },
    { id: 'travel', label: 'Hammer there or back', unit: 's', default: 12e-3, min: 1e-3, max: 0.2 },
  ],
  ratings: [
    { label: 'voltage', from: 'plus', to: 'minus', limit: (p) => 1.3 * p.volts },
    { label: 'voltage, reversed', from: 'minus', to: 'plus', limit: (p) => 1.3 * p.volts },
  ],
  elements: (p, state) => {
    const pullIn = (0.5 * p.volts) / p.ohms;
    return [
      {
        type: 'relay-coil',
        plus: 'plus',
        minus: '#inner',
        armature: '#armature',
        ohms: copperAt(p.ohms, state.celsius),
        henries: p.henries,
        pullIn,
        dropOut: 0.3 * pullIn,
        operate: p.travel,
        release: p.travel,
        latching: false,
        polarised: false,
      },
      ...kickBounds('plus', '#inner', p.ohms, 30, 1e-9),
      {
        type: 'contact',
        a: '#inner',
        b: 'minus',
        control: '#armature',
        rests: 'closed',
        on: 0.5,
        off: 0.5,
        ohms: 0.1,
        bounce: 0,
      },
    ];
  },
  interruptsItself: { plus: 'plus', minus: 'minus' },
  load: { volts: (p) => p.volts, amps: (p) => p.volts / p.ohms },
  tunable: ['ohms'],
  headline: (p) => `${formatNominal(p.volts, 'V')}, ${formatNominal(p.ohms, 'Ω')}`,
  acts: {
    word: 'ringing',
    does: 'sounds',
    active: (part, p) => Math.abs(across(part, 'plus', 'minus')) >= 0.6 * p.volts,
    because: (part, p) =>
      `${formatQuantity(across(part, 'plus', 'minus'), 'V')} over it; it rings from ${formatNominal(0.6 * p.volts, 'V')}`,
  },
  coil: {
    plus: 'plus',
    minus: 'minus',
    henries: (p) => p.henries,
  },
  curve: {
    vary: { plus: 'plus', minus: 'minus' },
    from: 0,
    to: 14,
    scale: 'linear',
    operating: [9, 13],
    reads: { amps: 'plus' },
  },
  chopped: beginsAnew,
  notes: [
    'It breaks its own current some forty times a second: a thyristor that feeds it lets go unless a bleed resistor holds it.',
    'Its sparks disturb everything near: a capacitor or a diode across it.',
  ],
  cautions: ['Local noise rules apply outdoors.'],
  source: 'Coil as R and L whose armature opens its own contact after its travel (from memory).',
  price: '5 to 20',
  glyph: 'M4 16A8 8 0 0 1 20 16ZM12 8V5M2 16H22M8 20V16M16 20V16M12 19A1.5 1.5 0 1 0 12 22',
});
