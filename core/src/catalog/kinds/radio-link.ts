import { across, into } from '../solved-values.js';
import { beginsAnew } from '../chopped.js';
import { definePart } from '../define-part.js';
import { choice } from '../choice.js';
import { supplyLimits } from '../limit.js';
import { formatNominal, formatQuantity } from '../../quantity/index.js';
import { draws } from '../sensor-output.js';

export const radioLink = definePart({
  kind: 'radio-link',
  label: 'Radio link module',
  summary: 'Sends short messages to its fellow across the yard; sleeps in between.',
  prefix: 'U',
  words: ['radio', 'wireless', 'remote', 'send', 'message', 'link', 'antenna', 'gate'],
  stage: 'acts',
  terminals: [
    { id: 'VCC', label: 'VCC', role: 'supply-in' },
    { id: 'GND', label: 'GND', role: 'ground' },
    { id: 'TX', label: 'TX', role: 'signal-out', highAt: 'VCC' },
    { id: 'RX', label: 'RX', role: 'signal-in' },
    { id: 'SET', label: 'SET', role: 'signal-in', optional: true },
  ],
  params: [
    { id: 'sending', label: 'Sending', unit: 'A', default: 0.1, min: 1e-3, max: 1 },
    { id: 'airtime', label: 'A message takes', unit: 's', default: 0.06, min: 1e-3, max: 10 },
    { id: 'listening', label: 'Listening', unit: 'A', default: 0.012, min: 1e-4, max: 0.2 },
    { id: 'asleep', label: 'Asleep', unit: 'A', default: 2e-6, min: 1e-8, max: 1e-3 },
    { id: 'carrier', label: 'Carrier', unit: 'Hz', default: 433.92e6, min: 1e6, max: 6e9 },
    { id: 'power', label: 'Power sent', unit: 'W', default: 0.01, min: 1e-6, max: 1 },
    {
      id: 'faintest',
      label: 'Faintest it receives',
      unit: 'W',
      default: 1e-14,
      min: 1e-18,
      max: 1e-6,
    },
    choice('now', 'Now', ['asleep', 'listening', 'sending'], 'listening'),
  ],
  feed: { plus: 'VCC', minus: 'GND', least: () => 1.9 },
  ratings: [
    ...supplyLimits('VCC', 'GND', 3.6, 0.3),
    { label: 'RX above its supply', from: 'RX', to: 'VCC', limit: 0.5 },
  ],
  elements: (p) => [
    draws('VCC', 'GND', p[p.now], 3.3),
    { type: 'resistor', a: 'VCC', b: 'TX', ohms: 10e3 },
    { type: 'resistor', a: 'RX', b: 'GND', ohms: 1e6 },
    { type: 'resistor', a: 'SET', b: 'VCC', ohms: 100e3 },
  ],
  radio: ({ carrier, power, faintest }) => ({ carrier, power, faintest }),
  phases: [
    {
      label: 'sending',
      amps: (p) => p.sending,
      sends: (p) => p.airtime,
      sets: () => ({ now: 'sending' }),
    },
    { label: 'listening', amps: (p) => p.listening },
    { label: 'asleep', amps: (p) => p.asleep },
  ],
  serial: { sends: 'TX', receives: 'RX' },
  now: (p) => p.now,
  headline: (p) => `${p.now}, ${formatNominal(p[p.now], 'A')}`,
  acts: {
    word: 'on the air',
    does: 'tells',
    indicates: true,
    active: (part, p) =>
      into(part, 'VCC') > (p.sending + p.listening) / 2 && across(part, 'VCC', 'GND') > 1.9,
    because: (part) => `${formatQuantity(into(part, 'VCC'), 'A')} from its supply`,
  },
  curve: {
    vary: { param: 'now' },
    from: 0,
    to: 2,
    scale: 'linear',
    operating: [0, 2],
    feeds: [['VCC', 'GND', 3.3]],
    reads: { amps: 'VCC' },
  },
  chopped: beginsAnew,
  notes: [
    'A message may be lost: number them, repeat them, and miss a heartbeat to notice jamming.',
    'Straight wire of a quarter wave, upright, away from metal.',
    'Straight antennas on both sides are taken; what arrives at a spot of the plan is told in Plan.',
  ],
  cautions: ['Frequencies, powers and duty cycles are regulated: follow local rules.'],
  source:
    'What it draws in three states; values as typical of 433 MHz modules of 10 mW that receive −110 dBm (from memory).',
  price: '5 to 20',
  glyph:
    'M12 12V22M8 22H16M12 8A2 2 0 1 0 12 12A2 2 0 1 0 12 8M7 5A7 7 0 0 0 7 15M17 5A7 7 0 0 1 17 15M4 2A11 11 0 0 0 4 18M20 2A11 11 0 0 1 20 18',
});
