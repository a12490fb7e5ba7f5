import { across } from '../solved-values.js';
import { definePart } from '../define-part.js';
import { choice } from '../choice.js';
import type { Terminal } from '../part-kind.js';
import { draws } from '../sensor-output.js';
import { controllerPin, pinElements, pinRatings } from '../controller-pins.js';

const both = ['interrupt', 'pwm'] as const;
const loading = 'the serial line over which firmware is loaded and messages are printed';
/** Without an output stage and without pull-up. */
const inputOnly = <const I extends string>(id: I): Terminal & { id: I } => ({
  ...controllerPin(id, 'analogue', 'interrupt'),
  modes: ['analogue', 'input'],
});
const analoguePins = [
  inputOnly('P0'),
  inputOnly('P1'),
  controllerPin('P2', 'analogue', ...both),
  controllerPin('P3', 'analogue', ...both),
  ...(['P4', 'P5', 'P6', 'P7'] as const).map((id) =>
    controllerPin(id, 'analogue', 'touch', ...both),
  ),
];
const digitalPins = [
  ...(['P8', 'P9', 'P10'] as const).map((id) => controllerPin(id, ...both)),
  {
    ...controllerPin('P11', ...both),
    reserved: 'read while the board starts: held low there, it waits for firmware instead',
  },
  { ...controllerPin('P12', 'serial in', ...both), reserved: loading },
  { ...controllerPin('P13', 'serial out', ...both), reserved: loading },
  controllerPin('P14', 'data', ...both),
  controllerPin('P15', 'clock', ...both),
];
const pins = [...analoguePins, ...digitalPins].map((pin) => pin.id);
const phases = ['active', 'radio', 'idle', 'asleep'] as const;
/** Full scale of the converter's two ranges, V. */
const ranges = { '0 to 3.1 V': 3.1, '0 to 1.1 V': 1.1 };

export const radioBoard3v3 = definePart({
  kind: 'radio-board-3v3',
  label: '3.3 V radio board',
  summary:
    'A two-core controller with a network radio: 12-bit converter, touch pins, deep sleep; not for 5 V signals.',
  prefix: 'U',
  words: [
    'controller',
    'board',
    'radio',
    'wireless',
    'network',
    '3.3 v',
    'touch',
    'sleep',
    'message',
  ],
  stage: 'decides',
  firstFed: { mains: 5, battery: 4.5, most: 5.5 },
  terminals: [
    ...analoguePins,
    ...digitalPins,
    { id: 'VIN', label: '5 V in', role: 'supply-in' },
    { id: '3V3', label: '3.3 V', role: 'supply-out' },
    { id: 'GND', label: 'GND', role: 'ground' },
  ],
  params: [
    { id: 'rail', label: 'Board voltage', unit: 'V', default: 3.3, min: 2.5, max: 3.6 },
    choice('now', 'Now', phases, 'active'),
    { id: 'active', label: 'Active', unit: 'A', default: 0.045, min: 1e-3, max: 0.5 },
    { id: 'radio', label: 'Radio on', unit: 'A', default: 0.16, min: 1e-3, max: 0.6 },
    { id: 'airtime', label: 'A message takes', unit: 's', default: 0.4, min: 1e-3, max: 30 },
    { id: 'idle', label: 'Idle', unit: 'A', default: 0.02, min: 1e-4, max: 0.5 },
    { id: 'asleep', label: 'Asleep', unit: 'A', default: 60e-6, min: 1e-6, max: 0.1 },
    { id: 'pinOhms', label: 'Pin resistance', unit: 'Ω', default: 30, min: 1, max: 1000 },
    { id: 'pullUp', label: 'Pull-up resistance', unit: 'Ω', default: 45e3, min: 1e3, max: 1e6 },
    { id: 'pinAmps', label: 'Pin current limit', unit: 'A', default: 0.02, min: 1e-3, max: 0.1 },
    choice('range', 'Converter range', ['0 to 3.1 V', '0 to 1.1 V'], '0 to 3.1 V'),
    { id: 'noise', label: 'Converter noise', unit: 'counts', default: 6, min: 0, max: 100 },
    { id: 'leak', label: 'Pin leakage', unit: 'A', default: 50e-9, min: 1e-12, max: 1e-5 },
  ],
  feed: { plus: 'VIN', minus: 'GND', least: () => 3.7 },
  ratings: [
    ...pinRatings(pins, '3V3', 0.4),
    { label: 'voltage at 5 V in', from: 'VIN', to: 'GND', limit: 6 },
    { label: 'current out of 3.3 V', outOf: '3V3', limit: 0.4 },
  ],
  elements: (p, state) => [
    {
      type: 'regulator',
      input: 'VIN',
      output: '3V3',
      ground: 'GND',
      volts: p.rail,
      dropOut: 0.4,
      outputOhms: 0.1,
    },
    draws('3V3', 'GND', p[p.now], p.rail),
    ...pins.filter(state.wired).flatMap((pin) => pinElements(pin, state.pins[pin], p, '3V3')),
  ],
  phases: phases.map((label) => ({
    label,
    amps: (p: Record<typeof label, number>) => p[label],
    asleep: label === 'asleep',
    sets: () => ({ now: label }),
    sends: label === 'radio' ? (p: { airtime: number }) => p.airtime : undefined,
  })),
  supplies: [{ at: '3V3', volts: (p) => p.rail }],
  now: (p) => p.now,
  headline: (p) => `12-bit, ${p.now}`,
  converter: {
    bits: () => 12,
    reference: (_part, p) => ranges[p.range],
    noise: (p) => p.noise,
    sampling: () => ({ farads: 5e-12, seconds: 5e-6, ohms: 5e3 }),
  },
  program: 'radio board',
  dims: { hertz: 1000, steps: 255 },
  brownOut: { below: 2.43, starts: 0.3 },
  inputs: {
    nominal: (p) => p.rail,
    maxAmps: (p) => p.pinAmps,
    supply: (part) => across(part, '3V3', 'GND'),
    low: () => 0.25,
    high: () => 0.75,
  },
  curve: {
    vary: { param: 'now' },
    from: 0,
    to: 3,
    scale: 'linear',
    operating: [0, 3],
    feeds: [['VIN', 'GND', 5]],
    reads: { amps: 'VIN' },
  },
  notes: [
    'Its pins die at 5 V: a divider or a level shifter for everything that goes higher.',
    'P0 and P1 are inputs only on many of these boards: put sensors there.',
    'Starting the radio draws a third of an ampere for milliseconds: 470 µF at its supply.',
    'The converter’s ends bend: keep readings between 0.1 and 3 V.',
  ],
  cautions: [],
  source:
    'Regulator, a load by phase, pins as a resistance to either rail with clamp diodes; 45 mA active, 160 mA with the radio on, 12-bit converter to 3.1 V as typical of two-core radio boards (from memory). Brown-out at 2.43 V, start-up in 0.3 s (from memory).',
  price: '5 to 20',
  glyph:
    'M5 10H19V22H5ZM1 13H5M1 19H5M19 13H23M19 19H23M12 10V7M9 5A4.5 4.5 0 0 1 15 5M7 3A8 8 0 0 1 17 3',
});
