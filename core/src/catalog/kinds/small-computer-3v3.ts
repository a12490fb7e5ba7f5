import { across } from '../solved-values.js';
import { definePart } from '../define-part.js';
import { draws } from '../sensor-output.js';
import { controllerPin, pinElements, pinRatings } from '../controller-pins.js';

const pinList = [
  controllerPin('P1', 'data'),
  controllerPin('P2', 'clock'),
  controllerPin('P3', 'serial out'),
  controllerPin('P4', 'serial in'),
  controllerPin('P5', 'pwm', 'interrupt'),
  controllerPin('P6', 'pwm', 'interrupt'),
  ...(['P7', 'P8', 'P9', 'P10', 'P11', 'P12', 'P13', 'P14', 'P15', 'P16'] as const).map((id) =>
    controllerPin(id, 'interrupt'),
  ),
];
const pins = pinList.map((pin) => pin.id);

export const smallComputer3v3 = definePart({
  kind: 'small-computer-3v3',
  label: '3.3 V small computer',
  summary: 'A whole computer with pins: network, files, cameras; no converter, and it drinks.',
  prefix: 'U',
  words: ['computer', 'board', 'linux', 'network', 'camera', '3.3 v', 'controller', 'server'],
  stage: 'decides',
  terminals: [
    ...pinList,
    { id: '5V', label: '5 V in', role: 'supply-in' },
    { id: '3V3', label: '3.3 V', role: 'supply-out' },
    { id: 'GND', label: 'GND', role: 'ground' },
  ],
  params: [
    { id: 'rail', label: 'Pin voltage', unit: 'V', default: 3.3, min: 3, max: 3.6 },
    { id: 'own', label: 'Own current, working', unit: 'A', default: 0.6, min: 0.05, max: 5 },
    { id: 'pinOhms', label: 'Pin resistance', unit: 'Ω', default: 40, min: 1, max: 1000 },
    { id: 'pullUp', label: 'Pull-up resistance', unit: 'Ω', default: 50e3, min: 1e3, max: 1e6 },
    { id: 'pinAmps', label: 'Pin current limit', unit: 'A', default: 0.008, min: 1e-3, max: 0.1 },
    { id: 'leak', label: 'Pin leakage', unit: 'A', default: 50e-9, min: 1e-12, max: 1e-5 },
  ],
  feed: { plus: '5V', minus: 'GND', least: () => 4.75 },
  ratings: [
    ...pinRatings(pins, '3V3', 0.05),
    { label: 'voltage at 5 V in', from: '5V', to: 'GND', limit: 5.5 },
    { label: 'current out of 3.3 V', outOf: '3V3', limit: 0.05 },
  ],
  elements: (p, state) => [
    {
      type: 'regulator',
      input: '5V',
      output: '3V3',
      ground: 'GND',
      volts: p.rail,
      dropOut: 0.3,
      outputOhms: 0.1,
    },
    draws('5V', 'GND', p.own, 5),
    ...pins.filter(state.wired).flatMap((pin) => pinElements(pin, state.pins[pin], p, '3V3')),
  ],
  phases: [
    { label: 'working', amps: (p) => p.own },
    { label: 'idle', amps: (p) => 0.6 * p.own },
    { label: 'halted', amps: (p) => 0.1 * p.own },
  ],
  supplies: [{ at: '3V3', volts: (p) => p.rail }],
  ownAmps: (p) => p.own,
  headline: () => 'no converter',
  program: 'small computer',
  dims: { hertz: 1000, steps: 255 },
  brownOut: { below: 2.9, starts: 20 },
  inputs: {
    nominal: (p) => p.rail,
    maxAmps: (p) => p.pinAmps,
    supply: (part) => across(part, '3V3', 'GND'),
    low: () => 0.25,
    high: () => 0.5,
  },
  curve: {
    vary: { plus: '5V', minus: 'GND' },
    from: 0,
    to: 5.5,
    scale: 'linear',
    operating: [4.8, 5.2],
    reads: { amps: '5V' },
  },
  notes: [
    'It has no converter: analogue sensors need a converter chip, or a small controller in front.',
    'Its pins die at 5 V, and all of them together give 50 mA.',
    'It starts in half a minute and may be busy for tenths of a second: short pulses belong to a small controller.',
    'Shut it down before cutting its power.',
  ],
  cautions: [],
  source:
    'A load on 5 V, a regulator for the pins, pins as a resistance to either rail with clamp diodes; 0.6 A, 50 mA in all as typical of small computers (from memory). Brown-out at 2.9 V, start-up in 20 s (from memory).',
  price: 'over 20',
  glyph: 'M3 4H21V18H3ZM6 7H18V15H6ZM9 18V22M15 18V22M7 22H17M9 11H12M9 13H14',
});
