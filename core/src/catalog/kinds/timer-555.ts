import type { PartKind } from '../part-kind.js';
import { ampsRating, voltsRating } from '../ratings.js';

export const timer555: PartKind = {
  kind: 'timer-555',
  label: '555-type timer',
  summary:
    'Trips at ⅓ and ⅔ of its supply: a timer, an oscillator, a Schmitt trigger that drives a relay.',
  prefix: 'U',
  words: ['timer', '555', 'delay', 'pulse', 'oscillator', 'schmitt', 'monostable', 'dusk'],
  stage: 'decides',
  terminals: [
    { id: 'gnd', label: 'GND', role: 'ground' },
    { id: 'trig', label: 'TRIG', role: 'signal-in' },
    { id: 'out', label: 'OUT', role: 'signal-out' },
    { id: 'reset', label: 'RESET', role: 'signal-in' },
    { id: 'ctrl', label: 'CTRL', role: 'passive' },
    { id: 'thr', label: 'THR', role: 'signal-in' },
    { id: 'dis', label: 'DIS', role: 'signal-out' },
    { id: 'vcc', label: 'VCC', role: 'supply-in' },
  ],
  params: [
    { id: 'divider', label: 'Divider resistors', unit: 'Ω', default: 5e3, min: 1e3, max: 1e6 },
    { id: 'dropHigh', label: 'Output below supply', unit: 'V', default: 1.4, min: 0, max: 3 },
    { id: 'maxAmps', label: 'Output current', unit: 'A', default: 0.2, min: 1e-3, max: 0.5 },
    { id: 'own', label: 'Own current at 12 V', unit: 'A', default: 0.008, min: 1e-6, max: 0.05 },
  ],
  ratings: [
    voltsRating('vcc', 'gnd', 'supply', () => 16),
    voltsRating('gnd', 'vcc', 'supply reversed', () => 0.3),
    voltsRating('trig', 'vcc', 'TRIG above the supply', () => 0.3),
    voltsRating('thr', 'vcc', 'THR above the supply', () => 0.3),
    ampsRating('out', (p) => p['maxAmps']),
    ampsRating('dis', () => 0.2),
    {
      id: 'power',
      label: 'heat',
      unit: 'W',
      limit: () => 0.6,
      stress: (part) => part.watts,
    },
  ],
  elements: (p) => [
    { type: 'resistor', a: 'vcc', b: 'ctrl', ohms: p['divider'] },
    { type: 'resistor', a: 'ctrl', b: '#third', ohms: p['divider'] },
    { type: 'resistor', a: '#third', b: 'gnd', ohms: p['divider'] },
    // An open RESET counts as high.
    { type: 'resistor', a: 'vcc', b: 'reset', ohms: 100e3 },
    { type: 'resistor', a: 'vcc', b: 'gnd', ohms: 12 / p['own'] },
    {
      type: 'timer-core',
      supply: 'vcc',
      ground: 'gnd',
      trigger: 'trig',
      threshold: 'thr',
      upper: 'ctrl',
      lower: '#third',
      reset: 'reset',
      output: 'out',
      discharge: 'dis',
      dropHigh: p['dropHigh'],
      dropLow: 0.05,
      outputOhms: 8,
      dischargeOhms: 15,
      delay: 0.1e-6,
    },
  ],
  headline: () => '⅓ and ⅔',
  notes: [
    'Pins 2 (TRIG) and 6 (THR) together make a Schmitt trigger with an inverted output.',
    'Monostable: t = 1.1·R·C. Its output gives and takes up to 200 mA.',
    'A coil on its output needs a diode across the coil.',
  ],
  cautions: [],
  source:
    'Inner parts by the published data sheet of the 555-type timer: three 5 kΩ, two comparators, latch; drops and resistances from memory.',
  price: 'under 1',
  glyph: 'M5 3H19V21H5ZM1 8H5M1 16H5M19 12H23M12 7A5 5 0 1 0 12 17A5 5 0 1 0 12 7M12 9V12L14 13.5',
};
