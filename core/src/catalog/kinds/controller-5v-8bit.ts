import { across } from '../solved-values.js';
import { definePart } from '../define-part.js';
import { choice } from '../choice.js';
import { controllerPin, pinElements, pinRatings } from '../controller-pins.js';

const analoguePins = [
  controllerPin('A0', 'analogue'),
  controllerPin('A1', 'analogue'),
  controllerPin('A2', 'analogue'),
  controllerPin('A3', 'analogue'),
  controllerPin('A4', 'analogue', 'data'),
  controllerPin('A5', 'analogue', 'clock'),
];
const digitalPins = [
  controllerPin('D2', 'interrupt'),
  controllerPin('D3', 'interrupt', 'pwm'),
  controllerPin('D4'),
  controllerPin('D5', 'pwm'),
  controllerPin('D6', 'pwm'),
  controllerPin('D7'),
  controllerPin('D8'),
  controllerPin('D9', 'pwm'),
  controllerPin('D10', 'pwm'),
  controllerPin('D11', 'pwm'),
  controllerPin('D12'),
  controllerPin('D13'),
];
const pins = [...analoguePins, ...digitalPins].map((pin) => pin.id);
/** The reference inside, V. */
const bandGap = 1.1;

export const controller5v8bit = definePart({
  kind: 'controller-5v-8bit',
  label: '5 V 8-bit controller board',
  summary: 'Reads pins, decides by your rules, drives pins; 10-bit converter, own 5 V regulator.',
  prefix: 'U',
  words: ['controller', 'board', 'microcontroller', 'processor', 'brain', 'analogue'],
  stage: 'decides',
  firstFed: { mains: 9, battery: 9, most: 12 },
  terminals: [
    ...analoguePins,
    ...digitalPins,
    { id: 'VIN', label: 'VIN', role: 'supply-in' },
    { id: '5V', label: '5 V', role: 'supply-out' },
    { id: 'GND', label: 'GND', role: 'ground' },
  ],
  params: [
    { id: 'rail', label: 'Board voltage', unit: 'V', default: 5, min: 3, max: 5.5 },
    { id: 'dropOut', label: 'Regulator drop-out', unit: 'V', default: 1.1, min: 0.05, max: 3 },
    { id: 'own', label: 'Own current', unit: 'A', default: 0.045, min: 1e-6, max: 0.5 },
    { id: 'pinOhms', label: 'Pin resistance', unit: 'Ω', default: 25, min: 1, max: 1000 },
    { id: 'pullUp', label: 'Pull-up resistance', unit: 'Ω', default: 35e3, min: 1e3, max: 1e6 },
    { id: 'pinAmps', label: 'Pin current limit', unit: 'A', default: 0.02, min: 1e-3, max: 0.1 },
    { id: 'bits', label: 'Converter', unit: 'bit', default: 10, min: 6, max: 16, whole: true },
    { id: 'noise', label: 'Converter noise', unit: 'counts', default: 0.7, min: 0, max: 50 },
    choice(
      'reference',
      'Converter compares with',
      ['the board voltage', '1.1 V inside'],
      'the board voltage',
    ),
    {
      id: 'sample',
      label: 'Sampling capacitor',
      unit: 'F',
      default: 14e-12,
      min: 1e-13,
      max: 1e-9,
    },
    { id: 'low', label: 'Input low up to, of supply', unit: '', default: 0.3, min: 0.05, max: 0.5 },
    {
      id: 'high',
      label: 'Input high from, of supply',
      unit: '',
      default: 0.6,
      min: 0.4,
      max: 0.95,
    },
    { id: 'leak', label: 'Pin leakage', unit: 'A', default: 50e-9, min: 1e-12, max: 1e-5 },
  ],
  feed: { plus: 'VIN', minus: 'GND', least: (p) => p.rail + p.dropOut },
  ratings: [
    ...pinRatings(pins, '5V', 0.2),
    { label: 'voltage at VIN', from: 'VIN', to: 'GND', limit: 20 },
    { label: 'current out of 5 V', outOf: '5V', limit: 0.4 },
    { label: 'heat of board and regulator', heat: 2 },
  ],
  elements: (p, state) => [
    {
      type: 'regulator',
      input: 'VIN',
      output: '5V',
      ground: 'GND',
      volts: p.rail,
      dropOut: p.dropOut,
      outputOhms: 0.05,
    },
    { type: 'resistor', a: '5V', b: 'GND', ohms: p.rail / p.own },
    ...pins.filter(state.wired).flatMap((pin) => pinElements(pin, state.pins[pin], p, '5V')),
  ],
  phases: [
    { label: 'active', amps: (p) => p.own },
    { label: 'idle', amps: (p) => 0.75 * p.own },
    {
      label: 'asleep, the whole board',
      amps: (p) => 0.6 * p.own,
      asleep: true,
      sets: (p) => ({ own: 0.6 * p.own }),
    },
  ],
  supplies: [{ at: '5V', volts: (p) => p.rail }],
  ownAmps: (p) => p.own,
  headline: (p) => `${p.bits}-bit`,
  converter: {
    bits: (p) => p.bits,
    reference: (part, p) => (p.reference === '1.1 V inside' ? bandGap : across(part, '5V', 'GND')),
    chosen: { param: 'reference', supply: 0 },
    noise: (p) => p.noise,
    // One and a half clocks of 125 kHz, through the multiplexer.
    sampling: (p) => ({ farads: p.sample, seconds: 12e-6, ohms: 10e3 }),
  },
  program: '8-bit board',
  dims: { hertz: 490, steps: 255 },
  brownOut: { below: 2.7, starts: 1.6 },
  inputs: {
    nominal: (p) => p.rail,
    maxAmps: (p) => p.pinAmps,
    supply: (part) => across(part, '5V', 'GND'),
    low: (p) => p.low,
    high: (p) => p.high,
  },
  curve: {
    vary: { plus: 'VIN', minus: 'GND' },
    from: 0,
    to: 15,
    scale: 'linear',
    operating: [7, 12],
    reads: { volts: ['5V', 'GND'] },
  },
  notes: [
    'The converter compares with the board voltage itself: a sagging supply moves both together.',
    'A source above 10 kΩ makes the converter read wrong (common practice).',
    'Asleep the board still draws for its regulator, its lamp and its serial chip: a bare chip sleeps far deeper.',
    'Load the firmware before wiring the outputs.',
  ],
  cautions: [],
  source:
    'Regulator with drop-out, pins as a resistance to either rail with clamp diodes and leakage; sampling ' +
    'capacitor of 14 pF behind 10 kΩ for 12 µs, inputs low to 0.3 and high from 0.6 of the supply (data sheets of 8-bit controllers); 20 mA a pin in ' +
    'continuous use, 40 mA absolute, 200 mA in all (common practice), other values from memory. Brown-out at 2.7 V, start-up in 1.6 s (from memory).',
  price: '5 to 20',
  glyph: 'M6 4H18V20H6ZM2 8H6M2 12H6M2 16H6M18 8H22M18 12H22M18 16H22',
});
