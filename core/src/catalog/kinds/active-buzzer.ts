import { across } from '../solved-values.js';
import { beginsAnew } from '../chopped.js';
import { definePart } from '../define-part.js';
import { formatNominal, formatQuantity } from '../../quantity/index.js';

export const activeBuzzer = definePart({
  kind: 'active-buzzer',
  label: 'Active buzzer, 5 V',
  summary: 'A small buzzer with its own oscillator: a steady voltage is enough.',
  prefix: 'P',
  words: ['buzzer', 'beep', 'active', 'sound', 'small', 'alarm'],
  stage: 'acts',
  answers: { by: 'sound', named: 'Buzzer', stage: 'transistor-stage' },
  terminals: [
    { id: 'plus', label: '+', role: 'supply-in' },
    { id: 'minus', label: '−', role: 'passive' },
  ],
  params: [
    { id: 'volts', label: 'Rated voltage', unit: 'V', default: 5, min: 1.5, max: 24 },
    {
      id: 'amps',
      label: 'Current at rated voltage',
      unit: 'A',
      default: 0.025,
      min: 1e-4,
      max: 0.2,
    },
    { id: 'least', label: 'Sounds from', unit: 'V', default: 3, min: 0.5, max: 24 },
  ],
  feed: { plus: 'plus', minus: 'minus', least: (p) => p.least },
  ratings: [
    { label: 'voltage', from: 'plus', to: 'minus', limit: (p) => 1.4 * p.volts },
    { label: 'reversed', from: 'minus', to: 'plus', limit: 0.5 },
  ],
  elements: (p) => [{ type: 'resistor', a: 'plus', b: 'minus', ohms: p.volts / p.amps }],
  load: { volts: (p) => p.volts, amps: (p) => p.amps },
  headline: (p) => `${formatNominal(p.volts, 'V')} ${formatNominal(p.amps, 'A')}`,
  acts: {
    word: 'sounding',
    does: 'sounds',
    active: (part, p) => across(part, 'plus', 'minus') >= p.least,
    because: (part, p) =>
      `${formatQuantity(across(part, 'plus', 'minus'), 'V')} across it; it sounds from ${formatNominal(p.least, 'V')}`,
  },
  chopped: beginsAnew,
  notes: [
    'Mind its polarity. It often takes more than a pin should give: use a transistor above 20 mA.',
  ],
  cautions: ['Louder than 85 dB harms hearing over time: muffle it while testing.'],
  source: 'Mean current as a resistance through the rated point (from memory).',
  price: 'under 1',
  glyph: 'M4 6H12V18H4ZM15 8C17 10 17 14 15 16M18 5C22 9 22 15 18 19',
});
