import { definePart } from '../define-part.js';
import { formatNominal } from '../../quantity/index.js';

export const recordedSensor = definePart({
  kind: 'recorded-sensor',
  label: 'Recorded readings',
  summary: 'A stand-in that plays readings from a CSV file as a voltage.',
  prefix: 'B',
  words: ['recorded', 'csv', 'log', 'playback', 'stand-in', 'replay', 'file', 'readings'],
  stage: 'feels',
  terminals: [
    { id: 'out', label: 'OUT', role: 'signal-out' },
    { id: 'gnd', label: 'GND', role: 'ground' },
  ],
  params: [
    { id: 'scale', label: 'Volts per volt recorded', unit: '×', default: 1, min: -1000, max: 1000 },
    { id: 'offset', label: 'Added', unit: 'V', default: 0, min: -30, max: 30 },
    { id: 'ohms', label: 'Output resistance', unit: 'Ω', default: 1000, min: 0.1, max: 1e7 },
  ],
  ratings: [{ into: 'out', limit: 0.1 }],
  elements: (p, state) => [
    {
      type: 'voltage-source',
      plus: '#emf',
      minus: 'gnd',
      volts: p.offset + p.scale * state.stimulus.recorded,
    },
    { type: 'resistor', a: '#emf', b: 'out', ohms: p.ohms },
  ],
  tunable: ['ohms'],
  headline: (p) => `× ${formatNominal(p.scale, '')}`,
  senses: { quantities: ['recorded'], rises: 'out' },
  curve: {
    vary: { stimulus: 'recorded' },
    from: -5,
    to: 5,
    scale: 'linear',
    operating: [0, 5],
    loads: [['out', 'gnd', 1e6]],
    reads: { volts: ['out', 'gnd'] },
  },
  notes: [
    'The first column of the file is time in seconds, the second volts. Between readings it goes in straight lines.',
  ],
  cautions: [],
  source: 'Voltage source that follows the recording of the design (own convention).',
  price: 'under 1',
  glyph: 'M4 3H16L20 7V21H4ZM7 17L10 11L13 15L17 9M16 3V7H20',
});
