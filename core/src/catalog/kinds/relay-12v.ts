import { across, at } from '../solved-values.js';
import { movedByContact } from '../chopped.js';
import { definePart } from '../define-part.js';
import { formatNominal, formatQuantity } from '../../quantity/index.js';
import { copperAt } from '../copper.js';
import { changeover, kickBounds, usualSwitchings } from '../coil.js';

export const relay12v = definePart({
  kind: 'relay-12v',
  label: 'Relay, one changeover contact',
  summary: 'A small coil current switches a large load, apart from the rest of the circuit.',
  prefix: 'K',
  words: ['relay', 'contact', 'isolate', 'switch', 'changeover', 'mains', 'load', 'coil'],
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
    { id: 'volts', label: 'Coil voltage', unit: 'V', default: 12, min: 3, max: 48 },
    {
      id: 'ohms',
      label: 'Coil resistance',
      unit: 'Ω',
      default: 400,
      min: 10,
      max: 20e3,
      tolerance: 0.1,
    },
    { id: 'henries', label: 'Coil inductance', unit: 'H', default: 0.4, min: 1e-3, max: 20 },
    { id: 'pullIn', label: 'Pulls in at', unit: 'V', default: 8.4, min: 1, max: 48 },
    { id: 'dropOut', label: 'Drops out at', unit: 'V', default: 1.8, min: 0.1, max: 24 },
    { id: 'operate', label: 'Operate time', unit: 's', default: 6e-3, min: 0, max: 0.1 },
    { id: 'release', label: 'Release time', unit: 's', default: 3e-3, min: 0, max: 0.1 },
    { id: 'bounce', label: 'Bounce', unit: 's', default: 1e-3, min: 0, max: 0.02 },
    { id: 'maxAmps', label: 'Contact rating', unit: 'A', default: 10, min: 0.1, max: 40 },
  ],
  ratings: [
    { label: 'coil voltage', from: 'plus', to: 'minus', limit: (p) => 1.3 * p.volts },
    { label: 'coil voltage, reversed', from: 'minus', to: 'plus', limit: (p) => 1.3 * p.volts },
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
      dropOut: p.dropOut / p.ohms,
      operate: p.operate,
      release: p.release,
      latching: false,
      polarised: false,
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
    word: 'pulled in',
    does: 'switches',
    active: (part) => at(part, '#armature') > 0.5,
    because: (part, p) =>
      `${formatQuantity(across(part, 'plus', 'minus'), 'V')} over its coil; it pulls in at ${formatNominal(p.pullIn, 'V')} and lets go at ${formatNominal(p.dropOut, 'V')}`,
  },
  relays: (part) => ({ relay: at(part, '#armature') > 0.5 }),
  coil: {
    plus: 'plus',
    minus: 'minus',
    henries: (p) => p.henries,
    pullIn: (p) => p.pullIn,
    dropOut: (p) => p.dropOut,
  },
  curve: {
    vary: { plus: 'plus', minus: 'minus' },
    from: 0,
    to: 14,
    scale: 'linear',
    operating: [9, 14],
    reads: { inner: '#armature', label: 'Pulled in', unit: '' },
  },
  chopped: movedByContact,
  notes: [
    'Its coil needs a diode across it, band to +. The diode slows the release; a zener clamp is quicker.',
    'NO closes when it pulls in, NC opens. Decide what a dead supply should do.',
    'Relays last 50,000 to 100,000 operations under load (common practice).',
  ],
  cautions: [
    'Mains on relay contacts can kill and can burn the house: keep it inside an approved, closed relay module or plug-in unit, fused; follow local codes and leave it to a licensed electrician.',
  ],
  source:
    'Coil as R and L (Fitzgerald, Kingsley and Umans, Electric Machinery) with operate and release current and times as IEC 61810-1 defines them, contacts with bounce; values as typical of 12 V, 0.36 W types (from memory).',
  price: '1 to 5',
  glyph: 'M3 6H11V18H3ZM7 6V2M7 18V22M11 12H14M17 4V8L21 15M17 20V16',
});
