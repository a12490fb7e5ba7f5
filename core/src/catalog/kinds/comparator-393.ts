import { definePart } from '../define-part.js';
import { supplyLimits } from '../limit.js';
import { formatNominal } from '../../quantity/index.js';

export const comparator393 = definePart({
  kind: 'comparator-393',
  label: 'Comparator (393 type)',
  summary: 'Compares two voltages; its output pulls to ground when + is below −.',
  prefix: 'U',
  words: ['comparator', 'threshold', '393', '339', 'compare', 'trip', 'open collector'],
  stage: 'decides',
  terminals: [
    { id: 'plus', label: '+', role: 'signal-in' },
    { id: 'minus', label: '−', role: 'signal-in' },
    { id: 'out', label: 'OUT', role: 'signal-out' },
    { id: 'vcc', label: 'VCC', role: 'supply-in' },
    { id: 'gnd', label: 'GND', role: 'ground' },
  ],
  params: [
    { id: 'offset', label: 'Offset', unit: 'V', default: 0, min: -0.02, max: 0.02 },
    { id: 'bias', label: 'Input bias current', unit: 'A', default: 25e-9, min: 0, max: 1e-6 },
    { id: 'sink', label: 'Most it sinks', unit: 'A', default: 0.016, min: 1e-3, max: 0.1 },
    { id: 'delay', label: 'Response time', unit: 's', default: 1.3e-6, min: 0, max: 1e-3 },
    { id: 'own', label: 'Own current', unit: 'A', default: 0.4e-3, min: 1e-6, max: 0.01 },
  ],
  feed: { plus: 'vcc', minus: 'gnd', least: () => 2 },
  decouple: 100e-9,
  ratings: [
    ...supplyLimits('vcc', 'gnd', 36, 0.3),
    { label: '+ below ground', from: 'gnd', to: 'plus', limit: 0.3 },
    { label: '− below ground', from: 'gnd', to: 'minus', limit: 0.3 },
    { into: 'out', limit: (p) => p.sink },
  ],
  elements: (p) => [
    {
      type: 'comparator',
      plus: 'plus',
      minus: 'minus',
      output: 'out',
      supply: 'vcc',
      ground: 'gnd',
      stage: 'open-collector',
      offset: p.offset,
      hysteresis: 0,
      bias: p.bias,
      headroom: 1.5,
      sinkAmps: p.sink,
      sinkOhms: 60,
      delay: p.delay,
    },
    { type: 'resistor', a: 'vcc', b: 'gnd', ohms: 5 / p.own },
  ],
  comparator: { plus: 'plus', minus: 'minus', output: 'out', supply: 'vcc' },
  ownAmps: (p) => p.own,
  headline: (p) => formatNominal(p.sink, 'A'),
  curve: {
    vary: { plus: 'plus', minus: 'gnd' },
    from: 0,
    to: 5,
    scale: 'linear',
    operating: [0, 3.5],
    feeds: [
      ['vcc', 'gnd', 5],
      ['minus', 'gnd', 2],
    ],
    loads: [['vcc', 'out', 10e3]],
    reads: { volts: ['out', 'gnd'] },
  },
  notes: [
    'The output only pulls down: it needs a pull-up resistor.',
    'It tells its inputs apart only up to 1.5 V below the supply.',
    'Without hysteresis it chatters at the threshold: a resistor from OUT to + gives it some.',
  ],
  cautions: [],
  source:
    'Published data sheet of the 393-type comparator: 25 nA, 1.3 µs, 16 mA, 400 mV at 4 mA (from memory).',
  price: 'under 1',
  glyph: 'M5 3V21L20 12ZM1 8H5M1 16H5M20 12H23M7 8H10M8.5 6.5V9.5M7 16H10',
});
