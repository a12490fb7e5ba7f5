import { formatNominal } from '../../quantity/index.js';
import type { PartKind } from '../part-kind.js';
import { ampsRating, voltsRating } from '../ratings.js';

export const opAmp: PartKind = {
  kind: 'op-amp',
  label: 'Operational amplifier (358 type)',
  summary: 'Amplifies, buffers or filters a small signal.',
  prefix: 'U',
  words: ['amplifier', 'op-amp', '358', 'buffer', 'gain', 'filter', 'microphone'],
  stage: 'conditions',
  terminals: [
    { id: 'plus', label: '+', role: 'signal-in' },
    { id: 'minus', label: '−', role: 'signal-in' },
    { id: 'out', label: 'OUT', role: 'signal-out' },
    { id: 'vcc', label: 'VCC', role: 'supply-in' },
    { id: 'gnd', label: 'GND', role: 'ground' },
  ],
  params: [
    { id: 'bandwidth', label: 'Gain–bandwidth', unit: 'Hz', default: 0.7e6, min: 1e3, max: 1e8 },
    { id: 'slew', label: 'Slew rate', unit: 'V/s', default: 0.3e6, min: 1e3, max: 1e9 },
    { id: 'offset', label: 'Offset', unit: 'V', default: 0, min: -0.02, max: 0.02 },
    { id: 'bias', label: 'Input bias current', unit: 'A', default: 20e-9, min: 0, max: 1e-6 },
    { id: 'marginHigh', label: 'Output below supply', unit: 'V', default: 1.5, min: 0, max: 5 },
    { id: 'own', label: 'Own current', unit: 'A', default: 0.7e-3, min: 1e-6, max: 0.05 },
  ],
  ratings: [
    voltsRating('vcc', 'gnd', 'supply', () => 32),
    voltsRating('gnd', 'vcc', 'supply reversed', () => 0.3),
    voltsRating('gnd', 'plus', '+ below ground', () => 0.3),
    voltsRating('gnd', 'minus', '− below ground', () => 0.3),
    ampsRating('out', () => 0.03),
  ],
  elements: (p) => [
    {
      type: 'op-amp',
      plus: 'plus',
      minus: 'minus',
      output: 'out',
      supply: 'vcc',
      ground: 'gnd',
      gain: 1e5,
      bandwidth: p['bandwidth'],
      slew: p['slew'],
      offset: p['offset'],
      bias: p['bias'],
      marginHigh: p['marginHigh'],
      marginLow: 0.01,
      outputOhms: 100,
      limit: 0.03,
    },
    { type: 'resistor', a: 'vcc', b: 'gnd', ohms: 5 / p['own'] },
  ],
  headline: (p) => formatNominal(p['bandwidth'], 'Hz'),
  notes: ['Its output reaches ground but stays 1.5 V below the supply; inputs too.'],
  cautions: [],
  source:
    'One-pole model with slew, rails and current limit by the published data sheet of the 358-type (from memory).',
  price: 'under 1',
  glyph: 'M5 3V21L20 12ZM1 8H5M1 16H5M20 12H23M7 8H10M8.5 6.5V9.5M7 16H10',
};
