import { across } from '../solved-values.js';
import { beginsAnew } from '../chopped.js';
import { definePart } from '../define-part.js';
import { formatNominal, formatQuantity, pressureOf } from '../../quantity/index.js';

export const sounder12v = definePart({
  kind: 'sounder-12v',
  label: 'Sounder, 12 V',
  summary: 'A loud electromagnetic sounder with its own oscillator.',
  prefix: 'P',
  words: ['beep', 'buzzer', 'siren', 'horn', 'alarm', 'loud', 'noise'],
  stage: 'acts',
  terminals: [
    { id: 'plus', label: '+', role: 'supply-in' },
    { id: 'minus', label: '−', role: 'coil' },
  ],
  params: [
    { id: 'volts', label: 'Rated voltage', unit: 'V', default: 12, min: 1.5, max: 48 },
    { id: 'amps', label: 'Current at rated voltage', unit: 'A', default: 0.06, min: 1e-3, max: 2 },
    { id: 'least', label: 'Sounds from', unit: 'V', default: 5, min: 0.5, max: 40 },
    { id: 'loudness', label: 'Loudness at 1 m', unit: 'dB', default: 96, min: 40, max: 125 },
    { id: 'tone', label: 'Its tone', unit: 'Hz', default: 3000, min: 50, max: 15e3 },
  ],
  feed: { plus: 'plus', minus: 'minus', least: (p) => p.least },
  ratings: [
    { label: 'voltage', from: 'plus', to: 'minus', limit: (p) => 1.25 * p.volts },
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
  emits: {
    quantity: 'sound',
    level: (p) => ({ decibels: p.loudness, hertz: p.tone }),
    intensity: (part, p) => {
      const volts = across(part, 'plus', 'minus');
      return volts >= p.least ? (pressureOf(p.loudness) * volts) / p.volts : 0;
    },
  },
  coil: { plus: 'plus', minus: 'minus' },
  curve: {
    vary: { plus: 'plus', minus: 'minus' },
    from: 0,
    to: 15,
    scale: 'linear',
    operating: [9, 14],
    reads: { amps: 'plus' },
  },
  chopped: beginsAnew,
  notes: [
    'Mind its polarity. Its coil needs a diode across it, band to +, close by.',
    'Put on the plan, it is heard by sound sensors there: an alarm that listens may keep itself going.',
  ],
  cautions: [
    'Louder than 85 dB harms hearing over time: muffle it while testing.',
    'Outdoor sounders are bound by local noise and duration rules.',
  ],
  source:
    'Mean current as a resistance through the rated point; its sound pressure with the voltage; start voltage from memory.',
  price: '1 to 5',
  glyph: 'M4 9H9L17 3V21L9 15H4ZM20 8C22 10 22 14 20 16',
});
