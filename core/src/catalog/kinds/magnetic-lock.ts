import { at, into } from '../solved-values.js';
import { definePart } from '../define-part.js';
import { formatNominal, formatQuantity } from '../../quantity/index.js';
import { kickBounds } from '../coil.js';
import { copperAt } from '../copper.js';

export const magneticLock = definePart({
  kind: 'magnetic-lock',
  label: 'Magnetic lock, 12 V',
  summary: 'Holds a door while it is fed, lets go when power fails.',
  prefix: 'Y',
  words: ['lock', 'door', 'magnet', 'access', 'hold', 'entry', 'escape', 'puzzle'],
  stage: 'acts',
  answers: { by: 'lock', named: 'Lock', stage: 'mosfet-stage' },
  terminals: [
    { id: 'plus', label: '+', role: 'coil' },
    { id: 'minus', label: '−', role: 'coil' },
  ],
  stateNodes: ['#armature'],
  params: [
    { id: 'volts', label: 'Voltage', unit: 'V', default: 12, min: 3, max: 48 },
    { id: 'amps', label: 'Current', unit: 'A', default: 0.32, min: 0.01, max: 3, tolerance: 0.1 },
    { id: 'henries', label: 'Inductance', unit: 'H', default: 0.6, min: 1e-3, max: 20 },
  ],
  ratings: [
    { label: 'voltage', from: 'plus', to: 'minus', limit: (p) => 1.15 * p.volts },
    { label: 'voltage, reversed', from: 'minus', to: 'plus', limit: (p) => 1.15 * p.volts },
  ],
  elements: (p, state) => [
    {
      type: 'relay-coil',
      plus: 'plus',
      minus: 'minus',
      armature: '#armature',
      ohms: copperAt(p.volts / p.amps, state.celsius),
      henries: p.henries,
      // Force goes with the square of the current: it holds from 0.7 of it, lets go at a tenth.
      pullIn: 0.7 * p.amps,
      dropOut: 0.1 * p.amps,
      operate: 5e-3,
      release: 5e-3,
      latching: false,
      polarised: false,
    },
    ...kickBounds('plus', 'minus', p.volts / p.amps, 50, 10e-9),
  ],
  locks: { plus: 'plus', minus: 'minus' },
  load: { volts: (p) => p.volts, amps: (p) => p.amps },
  headline: (p) => `${formatNominal(p.volts, 'V')}, ${formatNominal(p.amps, 'A')}`,
  acts: {
    word: 'holding',
    does: 'moves',
    active: (part) => at(part, '#armature') > 0.5,
    because: (part, p) => {
      const share = Math.min(1, (Math.abs(into(part, 'plus')) / p.amps) ** 2);
      return `${formatQuantity(into(part, 'plus'), 'A')} hold with about ${Math.round(100 * share)} % of its rated force`;
    },
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
    operating: [10.8, 13.2],
    reads: { amps: 'plus' },
  },
  notes: [
    'It lets go when power fails: that is its safety. A lock that stays shut then does not belong on an exit.',
    'Its force is told from its current, as a share of the rated one; whether that holds a door is not computed.',
    'A diode across it slows letting go by tenths of a second; a zener clamp is quicker.',
  ],
  grave: true,
  cautions: [
    'Never lock people in: exits must open from inside without power, by a button that breaks the feed itself. Local codes on escape routes apply.',
  ],
  source:
    'Coil as R and L; force B²·A/(2·μ0), so with the square of the current up to saturation, for a closed magnetic circuit (Fitzgerald, Kingsley and Umans, Electric Machinery); 0.32 A for 600 N as typical (from memory).',
  price: '5 to 20',
  glyph: 'M3 5H21V12H3ZM6 12V15M18 12V15M3 15H21V19H3ZM8 8.5H16',
});
