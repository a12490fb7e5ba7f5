import { across, at } from '../solved-values.js';
import { movedByContact } from '../chopped.js';
import { definePart } from '../define-part.js';
import { formatNominal, formatQuantity } from '../../quantity/index.js';
import { copperAt } from '../copper.js';
import { changeover, kickBounds, usualSwitchings } from '../coil.js';

export const latchingRelay = definePart({
  kind: 'latching-relay',
  label: 'Latching relay, one coil',
  summary: 'Stays where it was put without current; a reversed pulse puts it back.',
  prefix: 'K',
  words: ['relay', 'latch', 'bistable', 'pulse', 'low power', 'contact'],
  stage: 'drives',
  terminals: [
    { id: 'plus', label: 'coil +', role: 'coil' },
    { id: 'minus', label: 'coil −', role: 'coil' },
    { id: 'com', label: 'COM', role: 'contact' },
    { id: 'no', label: 'NO', role: 'contact', optional: true },
    { id: 'nc', label: 'NC', role: 'contact', optional: true },
  ],
  stateNodes: ['#armature'],
  params: [
    { id: 'volts', label: 'Coil voltage', unit: 'V', default: 5, min: 1.5, max: 24 },
    {
      id: 'ohms',
      label: 'Coil resistance',
      unit: 'Ω',
      default: 250,
      min: 10,
      max: 20e3,
      tolerance: 0.1,
    },
    { id: 'henries', label: 'Coil inductance', unit: 'H', default: 0.1, min: 1e-3, max: 20 },
    { id: 'pullIn', label: 'Sets at', unit: 'V', default: 3.75, min: 0.5, max: 24 },
    { id: 'operate', label: 'Operate time', unit: 's', default: 3e-3, min: 0, max: 0.1 },
    { id: 'bounce', label: 'Bounce', unit: 's', default: 0.7e-3, min: 0, max: 0.02 },
    { id: 'maxAmps', label: 'Contact rating', unit: 'A', default: 2, min: 0.1, max: 40 },
  ],
  ratings: [
    { label: 'coil voltage', from: 'plus', to: 'minus', limit: (p) => 1.4 * p.volts },
    { label: 'coil voltage, reversed', from: 'minus', to: 'plus', limit: (p) => 1.4 * p.volts },
    { into: 'com', limit: (p) => p.maxAmps },
  ],
  elements: (p, state) => [
    {
      type: 'relay-coil',
      plus: 'plus',
      minus: 'minus',
      armature: '#armature',
      ohms: copperAt(p.ohms, state.celsius),
      henries: p.henries,
      pullIn: p.pullIn / p.ohms,
      dropOut: 0,
      operate: p.operate,
      release: p.operate,
      latching: true,
      polarised: true,
    },
    ...kickBounds('plus', 'minus', p.ohms, 50, 100e-12),
    ...changeover(p.bounce),
  ],
  load: { volts: (p) => p.volts, amps: (p) => p.volts / p.ohms },
  tunable: ['ohms'],
  contacts: [{ terminals: ['com', 'no', 'nc'], maxAmps: (p) => p.maxAmps }],
  switchings: usualSwitchings,
  headline: (p) => `${formatNominal(p.volts, 'V')}, ${formatNominal(p.ohms, 'Ω')}`,
  acts: {
    word: 'set',
    does: 'switches',
    active: (part) => at(part, '#armature') > 0.5,
    because: (part, p) =>
      `${formatQuantity(across(part, 'plus', 'minus'), 'V')} over its coil; it sets at ${formatNominal(p.pullIn, 'V')} and resets at −${formatNominal(p.pullIn, 'V')}`,
  },
  relays: (part) => ({ relay: at(part, '#armature') > 0.5 }),
  coil: {
    plus: 'plus',
    minus: 'minus',
    henries: (p) => p.henries,
    pullIn: (p) => p.pullIn,
  },
  curve: {
    vary: { plus: 'plus', minus: 'minus' },
    from: -6,
    to: 6,
    scale: 'linear',
    operating: [-5, 5],
    reads: { inner: '#armature', label: 'Pulled in', unit: '' },
  },
  chopped: movedByContact,
  notes: ['At power-on nobody knows where it stands: send a reset pulse first.'],
  cautions: [
    'Mains on relay contacts can kill and can burn the house: keep it inside an approved, closed relay module, fused; follow local codes and leave it to a licensed electrician.',
  ],
  source:
    'Coil as R and L that sets and resets by the sign of its current, as IEC 61810-1 defines polarised bistable relays; values as typical of small 5 V types (from memory).',
  price: '1 to 5',
  glyph: 'M3 6H11V18H3ZM7 6V2M7 18V22M5 12H9M11 12H14M17 4V8L21 15M17 20V16',
});
