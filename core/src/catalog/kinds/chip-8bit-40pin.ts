import { across } from '../solved-values.js';
import { definePart } from '../define-part.js';
import { choice } from '../choice.js';
import { supplyLimits } from '../limit.js';
import type { PinSkill } from '../../design/index.js';
import type { Terminal } from '../part-kind.js';
import { controllerPin, pinElements, pinRatings } from '../controller-pins.js';

const port = (letter: string, skills: Readonly<Record<number, readonly PinSkill[]>>): Terminal[] =>
  Array.from({ length: 8 }, (_, i) => controllerPin(`P${letter}${i}`, ...(skills[i] ?? [])));

const everyAnalogue = Object.fromEntries(
  Array.from({ length: 8 }, (_, i) => [i, ['analogue'] as const]),
);
const ports = [
  ...port('A', everyAnalogue),
  ...port('B', { 2: ['interrupt'], 3: ['pwm'] }),
  ...port('C', { 0: ['clock'], 1: ['data'] }),
  ...port('D', {
    0: ['serial in'],
    1: ['serial out'],
    2: ['interrupt'],
    3: ['interrupt'],
    4: ['pwm'],
    5: ['pwm'],
    7: ['pwm'],
  }),
];
const pins = ports.map((pin) => pin.id);
/** The reference inside, V. */
const bandGap = 2.56;

export const chip8bit40pin = definePart({
  kind: 'chip-8bit-40pin',
  label: '8-bit controller chip, 40 pins',
  summary: 'A bare controller for a board of your own: 32 pins, 10-bit converter, no regulator.',
  prefix: 'U',
  words: ['controller', 'chip', 'bare', 'microcontroller', 'dip', '40 pin', 'processor', 'board'],
  stage: 'decides',
  terminals: [
    ...ports,
    { id: 'VCC', label: 'VCC', role: 'supply-in' },
    { id: 'AREF', label: 'AREF', role: 'signal-in', optional: true },
    { id: 'RESET', label: 'RESET', role: 'signal-in', optional: true },
    { id: 'GND', label: 'GND', role: 'ground' },
  ],
  params: [
    { id: 'rail', label: 'Supply', unit: 'V', default: 5, min: 2.7, max: 5.5 },
    { id: 'own', label: 'Own current', unit: 'A', default: 0.012, min: 1e-6, max: 0.1 },
    { id: 'pinOhms', label: 'Pin resistance', unit: 'Ω', default: 25, min: 1, max: 1000 },
    { id: 'pullUp', label: 'Pull-up resistance', unit: 'Ω', default: 35e3, min: 1e3, max: 1e6 },
    { id: 'pinAmps', label: 'Pin current limit', unit: 'A', default: 0.02, min: 1e-3, max: 0.1 },
    { id: 'noise', label: 'Converter noise', unit: 'counts', default: 0.5, min: 0, max: 50 },
    choice(
      'reference',
      'Converter compares with',
      ['the supply', 'the AREF pin', '2.56 V inside'],
      'the supply',
    ),
    { id: 'leak', label: 'Pin leakage', unit: 'A', default: 50e-9, min: 1e-12, max: 1e-5 },
  ],
  feed: { plus: 'VCC', minus: 'GND', least: () => 2.7 },
  decouple: 100e-9,
  ratings: [...pinRatings(pins, 'VCC', 0.2), ...supplyLimits('VCC', 'GND', 5.5, 0.5)],
  elements: (p, state) => [
    { type: 'resistor', a: 'VCC', b: 'GND', ohms: p.rail / p.own },
    { type: 'resistor', a: 'AREF', b: 'GND', ohms: 32e3 },
    { type: 'resistor', a: 'RESET', b: 'VCC', ohms: 45e3 },
    ...pins.filter(state.wired).flatMap((pin) => pinElements(pin, state.pins[pin], p, 'VCC')),
  ],
  phases: [
    { label: 'active at 8 MHz', amps: (p) => p.own },
    { label: 'idle', amps: (p) => 0.45 * p.own },
    {
      label: 'asleep, watchdog on',
      amps: () => 10e-6,
      asleep: true,
      sets: () => ({ own: 10e-6 }),
    },
    { label: 'asleep', amps: () => 1e-6, asleep: true },
  ],
  ownAmps: (p) => p.own,
  headline: () => '10-bit, 32 pins',
  converter: {
    bits: () => 10,
    chosen: { param: 'reference', supply: 0 },
    reference: (part, p) =>
      p.reference === '2.56 V inside'
        ? bandGap
        : across(part, p.reference === 'the AREF pin' ? 'AREF' : 'VCC', 'GND'),
    noise: (p) => p.noise,
    sampling: () => ({ farads: 14e-12, seconds: 12e-6, ohms: 10e3 }),
  },
  program: '40-pin chip',
  dims: { hertz: 490, steps: 255 },
  brownOut: { below: 2.7, starts: 0.065 },
  inputs: {
    nominal: (p) => p.rail,
    maxAmps: (p) => p.pinAmps,
    supply: (part) => across(part, 'VCC', 'GND'),
    low: () => 0.2,
    high: () => 0.6,
  },
  curve: {
    vary: { plus: 'VCC', minus: 'GND' },
    from: 0,
    to: 5.5,
    scale: 'linear',
    operating: [2.7, 5.5],
    reads: { amps: 'VCC' },
  },
  notes: [
    '100 nF at each supply pin, right beside the chip; AREF too, with nothing else on it unless it is a reference.',
    'It has no regulator and no reverse protection: 5 V must come clean and the right way round.',
    'A trimmer at AREF stretches the converter over the span a sensor really covers.',
  ],
  cautions: [],
  source:
    'Pins as a resistance to either rail with clamp diodes and leakage; 20 mA a pin, 200 mA in all, 2.56 V reference, 32 kΩ at AREF, 12 mA at 8 MHz (data sheets of 8-bit controllers in 40-pin cases, from memory). Brown-out at 2.7 V, start-up in 65 ms (from memory).',
  price: '5 to 20',
  glyph:
    'M8 1H16V23H8ZM4 4H8M4 8H8M4 12H8M4 16H8M4 20H8M16 4H20M16 8H20M16 12H20M16 16H20M16 20H20',
});
