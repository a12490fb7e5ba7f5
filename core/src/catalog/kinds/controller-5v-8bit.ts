import type { Element } from '../element.js';
import type { PartKind, Params, PinState, Rating, Terminal } from '../part-kind.js';

const analoguePins = ['A0', 'A1', 'A2', 'A3', 'A4', 'A5'];
const digitalPins = ['D2', 'D3', 'D4', 'D5', 'D6', 'D7', 'D8', 'D9', 'D10', 'D11', 'D12', 'D13'];
const pins = [...analoguePins, ...digitalPins];

/** As good as not there, yet keeps the list of elements the same in every pin state. */
const open = 1e9;

export const controller5v8bit: PartKind = {
  kind: 'controller-5v-8bit',
  label: '5 V 8-bit controller board',
  summary: 'Reads pins, decides by your rules, drives pins; 10-bit converter, own 5 V regulator.',
  prefix: 'U',
  words: ['controller', 'board', 'microcontroller', 'processor', 'brain', 'analogue'],
  stage: 'decides',
  terminals: [
    ...analoguePins.map((id): Terminal => ({
      id,
      label: id,
      role: 'pin',
      modes: ['analogue', 'input', 'pull-up', 'output'],
    })),
    ...digitalPins.map((id): Terminal => ({
      id,
      label: id,
      role: 'pin',
      modes: ['input', 'pull-up', 'output'],
    })),
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
  ratings: [
    ...pins.map((pin): Rating => ({
      id: `amps-${pin}`,
      label: `current at ${pin}`,
      unit: 'A',
      limit: (p) => p['pinAmps'],
      stress: (part) => Math.abs(part.amps[pin] ?? 0),
    })),
    ...pins.map((pin): Rating => ({
      id: `volts-${pin}`,
      label: `voltage at ${pin} above the board's own`,
      unit: 'V',
      limit: () => 0.5,
      stress: (part) => (part.volts[pin] ?? 0) - (part.volts['5V'] ?? 0),
    })),
    {
      id: 'volts-VIN',
      label: 'voltage at VIN',
      unit: 'V',
      limit: () => 20,
      stress: (part) => (part.volts['VIN'] ?? 0) - (part.volts['GND'] ?? 0),
    },
    {
      id: 'amps-5V',
      label: 'current out of 5 V',
      unit: 'A',
      limit: () => 0.4,
      stress: (part) => -(part.amps['5V'] ?? 0),
    },
    {
      id: 'power',
      label: 'heat of board and regulator',
      unit: 'W',
      limit: () => 2,
      stress: (part) => part.watts,
    },
  ],
  elements: (p, state) => [
    {
      type: 'regulator',
      input: 'VIN',
      output: '5V',
      ground: 'GND',
      volts: p['rail'],
      dropOut: p['dropOut'],
      outputOhms: 0.05,
    },
    { type: 'resistor', a: '5V', b: 'GND', ohms: p['rail'] / p['own'] },
    ...pins.filter(state.wired).flatMap((pin) => pinElements(pin, state.pins[pin], p)),
  ],
  headline: (p) => `${p['bits']}-bit`,
  converter: {
    bits: (p) => p['bits'],
    reference: (part) => (part.volts['5V'] ?? 0) - (part.volts['GND'] ?? 0),
    noise: (p) => p['noise'],
    // One and a half clocks of 125 kHz, through the multiplexer.
    sampling: (p) => ({ farads: p['sample'], seconds: 12e-6, ohms: 10e3 }),
  },
  inputs: {
    supply: (part) => (part.volts['5V'] ?? 0) - (part.volts['GND'] ?? 0),
    low: (p) => p['low'],
    high: (p) => p['high'],
  },
  notes: [
    'The converter compares with the board voltage itself: a sagging supply moves both together.',
    'A source above 10 kΩ makes the converter read wrong (common practice).',
    'Load the firmware before wiring the outputs.',
  ],
  cautions: [],
  source:
    'Regulator with drop-out, pins as a resistance to either rail with clamp diodes and leakage; sampling ' +
    'capacitor of 14 pF behind 10 kΩ for 12 µs, inputs low to 0.3 and high from 0.6 of the supply (data sheets of 8-bit controllers); 20 mA a pin in ' +
    'continuous use, 40 mA absolute (common practice), other values from memory.',
  price: '5 to 20',
  glyph: 'M6 4H18V20H6ZM2 8H6M2 12H6M2 16H6M18 8H22M18 12H22M18 16H22',
};

/** A pin is a resistance to the upper and one to the lower rail, with a clamp diode to each. */
function pinElements(pin: string, pinState: PinState | undefined, p: Params): Element[] {
  const { mode, high } = pinState ?? { mode: 'input', high: false };
  const up =
    mode === 'output' && high
      ? p['pinOhms']
      : mode === 'pull-up'
        ? p['pullUp']
        : p['rail'] / p['leak'];
  const down = mode === 'output' && !high ? p['pinOhms'] : open;
  const clamp = { type: 'diode', saturation: 1e-14, emission: 1 } as const;
  return [
    { type: 'resistor', a: '5V', b: pin, ohms: up },
    { type: 'resistor', a: pin, b: 'GND', ohms: down },
    { ...clamp, anode: pin, cathode: '5V' },
    { ...clamp, anode: 'GND', cathode: pin },
  ];
}
