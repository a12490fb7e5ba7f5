import { into } from '../solved-values.js';
import { definePart } from '../define-part.js';
import { formatNominal, formatQuantity } from '../../quantity/index.js';
import { copperAt } from '../copper.js';
import { kickBounds } from '../coil.js';

export const solenoid = definePart({
  kind: 'solenoid',
  label: 'Solenoid or valve coil',
  summary: 'Pulls a plunger or opens a valve while current flows.',
  prefix: 'Y',
  words: ['solenoid', 'valve', 'latch', 'bolt', 'plunger', 'lock', 'water', 'coil'],
  stage: 'acts',
  terminals: [
    { id: 'plus', label: '+', role: 'coil' },
    { id: 'minus', label: '−', role: 'coil' },
  ],
  params: [
    { id: 'volts', label: 'Rated voltage', unit: 'V', default: 12, min: 1.5, max: 48 },
    {
      id: 'ohms',
      label: 'Coil resistance',
      unit: 'Ω',
      default: 30,
      min: 0.5,
      max: 1e4,
      tolerance: 0.1,
    },
    { id: 'henries', label: 'Coil inductance', unit: 'H', default: 0.06, min: 1e-4, max: 10 },
    { id: 'pullIn', label: 'Pulls at', unit: 'V', default: 9, min: 0.5, max: 48 },
  ],
  ratings: [
    { label: 'voltage', from: 'plus', to: 'minus', limit: (p) => 1.15 * p.volts },
    { label: 'voltage, reversed', from: 'minus', to: 'plus', limit: (p) => 1.15 * p.volts },
  ],
  elements: (p, state) => [
    {
      type: 'inductor',
      a: 'plus',
      b: 'minus',
      henries: p.henries,
      ohms: copperAt(p.ohms, state.celsius),
    },
    ...kickBounds('plus', 'minus', p.ohms, 40, 300e-12),
  ],
  load: { volts: (p) => p.volts, amps: (p) => p.volts / p.ohms },
  tunable: ['ohms'],
  headline: (p) => `${formatNominal(p.volts, 'V')}, ${formatNominal(p.ohms, 'Ω')}`,
  acts: {
    word: 'pulled',
    does: 'moves',
    active: (part, p) => Math.abs(into(part, 'plus')) >= p.pullIn / p.ohms,
    because: (part, p) =>
      `${formatQuantity(into(part, 'plus'), 'A')} flows; it pulls at ${formatQuantity(p.pullIn / p.ohms, 'A')}`,
  },
  coil: {
    plus: 'plus',
    minus: 'minus',
    henries: (p) => p.henries,
    pullIn: (p) => p.pullIn,
  },
  curve: {
    vary: { plus: 'plus', minus: 'minus' },
    from: 0,
    to: 14,
    scale: 'linear',
    operating: [9, 13],
    reads: { amps: 'plus' },
  },
  notes: [
    'A diode across it, cathode to +, close by. Many are rated for seconds only: mind the duty.',
  ],
  cautions: ['A lock that holds a door must open when the power fails.'],
  source:
    'v = R·i + L·di/dt with losses (Fitzgerald, Kingsley and Umans, Electric Machinery); inductance taken as constant while the plunger moves (from memory).',
  price: '5 to 20',
  glyph: 'M3 6H15V18H3ZM6 6V18M9 6V18M12 6V18M15 12H22M22 9V15',
});
