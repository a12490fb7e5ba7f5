import { across } from '../solved-values.js';
import { definePart } from '../define-part.js';
import { supplyLimits } from '../limit.js';
import { formatNominal } from '../../quantity/index.js';
import { draws } from '../sensor-output.js';

export const bridgeAmplifier = definePart({
  kind: 'bridge-amplifier',
  label: 'Bridge amplifier, 24-bit',
  summary: 'Feeds a load cell, amplifies its millivolts and gives them as a number on two wires.',
  prefix: 'U',
  words: ['load cell', 'weight', 'amplifier', 'bridge', '24 bit', 'scale', 'strain'],
  stage: 'conditions',
  terminals: [
    { id: 'VCC', label: 'VCC', role: 'supply-in' },
    { id: 'GND', label: 'GND', role: 'ground' },
    { id: 'ep', label: 'E+', role: 'supply-out' },
    { id: 'em', label: 'E−', role: 'passive' },
    { id: 'sp', label: 'A+', role: 'signal-in' },
    { id: 'sm', label: 'A−', role: 'signal-in' },
    { id: 'DT', label: 'DT', role: 'signal-out', highAt: 'VCC' },
    { id: 'SCK', label: 'SCK', role: 'signal-in' },
  ],
  params: [
    { id: 'gain', label: 'Gain', unit: '×', default: 128, min: 1, max: 256 },
    { id: 'own', label: 'Own current', unit: 'A', default: 1.5e-3, min: 1e-6, max: 0.05 },
    { id: 'noise', label: 'Noise at its input', unit: 'V', default: 90e-9, min: 0, max: 1e-5 },
  ],
  feed: { plus: 'VCC', minus: 'GND', least: () => 2.6 },
  ratings: [...supplyLimits('VCC', 'GND', 5.5, 0.3), { into: 'ep', limit: 0.02 }],
  elements: (p) => [
    draws('VCC', 'GND', p.own, 5),
    { type: 'resistor', a: 'VCC', b: 'ep', ohms: 5 },
    { type: 'resistor', a: 'em', b: 'GND', ohms: 0.1 },
    { type: 'resistor', a: 'sp', b: 'GND', ohms: 50e6 },
    { type: 'resistor', a: 'sm', b: 'GND', ohms: 50e6 },
    { type: 'resistor', a: 'DT', b: 'VCC', ohms: 10e3 },
    { type: 'resistor', a: 'SCK', b: 'GND', ohms: 1e6 },
  ],
  reads: [
    {
      id: 'load',
      label: 'Difference in 16-bit counts about the middle',
      // Sixteen of its twenty-four bits: the rest is noise.
      full: () => 65535,
      noise: (p) => (p.noise * p.gain * 65535) / 5,
      counts: (_felt, p, part) => {
        const reference = across(part, 'ep', 'em');
        const difference = across(part, 'sp', 'sm');
        return reference > 0 ? 32768 + (65535 * p.gain * difference) / reference : 0;
      },
      through: ['DT', 'SCK'],
      works: (part) => across(part, 'VCC', 'GND') > 2.6,
    },
  ],
  phases: [
    { label: 'measuring', amps: (p) => p.own },
    { label: 'asleep', amps: () => 1e-6 },
  ],
  ownAmps: (p) => p.own,
  tunable: ['gain'],
  headline: (p) => `× ${formatNominal(p.gain, '')}`,
  notes: [
    'Ten or eighty readings a second, set by a bridge on the board.',
    'Keep the four wires to the cell short, twisted and of one length.',
  ],
  cautions: [],
  source:
    'Differential reading over the excitation, ratiometric; gain 128 and 90 nV as typical of such chips (from memory).',
  price: '1 to 5',
  glyph: 'M5 3V21L20 12ZM1 8H5M1 16H5M20 12H23M8 9V15M8 12H12',
});
