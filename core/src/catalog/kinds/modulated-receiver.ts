import { definePart } from '../define-part.js';
import { supplyLimits } from '../limit.js';
import { formatNominal } from '../../quantity/index.js';
import { constant, draws, yesNo } from '../sensor-output.js';

export const modulatedReceiver = definePart({
  kind: 'modulated-receiver',
  label: 'Infrared receiver for a 38 kHz carrier',
  summary:
    'Answers only to infrared that blinks at 38 kHz; its output goes low then. Blind to sun and lamps.',
  prefix: 'B',
  words: [
    'beam',
    'carrier',
    '38 khz',
    'infrared',
    'ir',
    'receiver',
    'remote',
    'modulated',
    'trip wire',
  ],
  stage: 'feels',
  ages: 'Hardly; its window soils, and the lamp across loses a third in some 50,000 hours.',
  beamFrom: 'modulated-emitter',
  terminals: [
    { id: 'OUT', label: 'OUT', role: 'signal-out' },
    { id: 'GND', label: 'GND', role: 'ground' },
    { id: 'VCC', label: 'VCC', role: 'supply-in' },
  ],
  params: [
    {
      id: 'least',
      label: 'Answers from',
      unit: 'W/m²',
      default: 3e-4,
      min: 1e-6,
      max: 1,
      tolerance: 0.5,
    },
    { id: 'halfAngle', label: 'Half-angle', unit: '°', default: 45, min: 1, max: 85 },
    { id: 'radius', label: 'Opening radius', unit: 'm', default: 0.003, min: 0.0005, max: 0.1 },
    { id: 'own', label: 'Own current', unit: 'A', default: 0.7e-3, min: 1e-6, max: 0.05 },
  ],
  feed: { plus: 'VCC', minus: 'GND', least: () => 2.7 },
  decouple: 100e-9,
  ratings: [...supplyLimits('VCC', 'GND', 6, 0.3), { into: 'OUT', limit: 0.005 }],
  elements: (p, state) => [
    draws('VCC', 'GND', p.own, 5),
    // Twenty cycles of the carrier before it answers.
    { type: 'level', node: '#beam', value: state.stimulus.carrier / p.least, up: 5e-4, down: 5e-4 },
    constant('#least', 1),
    yesNo({
      signal: '#beam',
      limit: '#least',
      output: 'OUT',
      supply: 'VCC',
      ground: 'GND',
      hysteresis: 0.1,
      stage: 'open-collector',
      whenOver: 'low',
    }),
    { type: 'resistor', a: 'VCC', b: 'OUT', ohms: 30e3 },
  ],
  ownAmps: (p) => p.own,
  tunable: ['halfAngle'],
  headline: (p) => `from ${formatNominal(p.least, 'W/m²')}`,
  senses: {
    quantities: ['carrier'],
    halfAngle: (p) => p.halfAngle,
    radius: (p) => p.radius,
  },
  curve: {
    vary: { stimulus: 'carrier' },
    from: 1e-5,
    to: 1,
    scale: 'log',
    operating: [3e-4, 1],
    feeds: [['VCC', 'GND', 5]],
    reads: { volts: ['OUT', 'GND'] },
  },
  legsVary: true,
  notes: [
    'OUT is low while the carrier is seen; pin order differs between types.',
    'Many of these receivers take a carrier that never pauses for noise and go quiet: send it in bursts.',
  ],
  cautions: [],
  source:
    'Threshold of irradiance with hysteresis, 30 kΩ pull-up inside; 0.3 mW/m² as typical of remote-control receivers (data sheets, from memory). Its automatic gain is not computed.',
  price: 'under 1',
  glyph: 'M8 4H20V20H8ZM12 4A4 4 0 0 1 12 20M1 8C2 8 2 16 3.5 16C5 16 5 8 6 8M20 8H23M20 16H23',
});
