import { definePart } from '../define-part.js';
import { supplyLimits } from '../limit.js';
import { formatNominal } from '../../quantity/index.js';
import { draws } from '../sensor-output.js';
import { holdOutput, holdParams } from '../hold-output.js';

export const dopplerModule = definePart({
  kind: 'doppler-module',
  label: 'Motion module, microwave',
  summary: 'High when something moves towards or away from it, even behind a thin wall.',
  prefix: 'B',
  words: ['motion', 'radar', 'microwave', 'doppler', 'movement', 'speed', 'through wall'],
  stage: 'feels',
  ages: 'Hardly.',
  ready: true,
  terminals: [
    { id: 'VCC', label: 'VCC', role: 'supply-in' },
    { id: 'OUT', label: 'OUT', role: 'signal-out' },
    { id: 'GND', label: 'GND', role: 'ground' },
  ],
  params: [
    {
      id: 'least',
      label: 'Answers from √σ/d²',
      unit: '1/m',
      default: 0.02,
      min: 0.001,
      max: 10,
      tolerance: 0.3,
    },
    ...holdParams(2, 2),
    { id: 'own', label: 'Own current', unit: 'A', default: 3e-3, min: 1e-5, max: 0.1 },
    { id: 'halfAngle', label: 'Half-angle', unit: '°', default: 60, min: 5, max: 85 },
  ],
  feed: { plus: 'VCC', minus: 'GND', least: () => 4 },
  ratings: [...supplyLimits('VCC', 'GND', 28, 0.5), { into: 'OUT', limit: 0.01 }],
  elements: (p, state) => [
    draws('VCC', 'GND', p.own, 5),
    { type: 'level', node: '#echo', value: state.stimulus.echo / p.least, up: 0.05, down: 0.2 },
    ...holdOutput('#echo', p),
  ],
  hold: (p) => p.hold,
  warmUp: (p) => p.warmUp,
  ownAmps: (p) => p.own,
  tunable: ['halfAngle'],
  headline: (p) => `holds ${formatNominal(p.hold, 's')}`,
  senses: {
    quantities: ['echo'],
    halfAngle: (p) => p.halfAngle,
    noise: () => 5e-4,
  },
  curve: {
    vary: { stimulus: 'echo' },
    from: 1e-3,
    to: 1,
    scale: 'log',
    operating: [0.02, 1],
    feeds: [['VCC', 'GND', 5]],
    loads: [['OUT', 'GND', 100e3]],
    reads: { volts: ['OUT', 'GND'] },
  },
  notes: [
    'Sees through thin walls, doors and plastic: also what moves in the next room, and rain on a roof.',
    'Sees approaching better than crossing, the other way round than pyroelectric modules.',
    'Keep its antenna side free of metal; two of them disturb each other.',
  ],
  cautions: [],
  source:
    'Radar equation for the amplitude of the echo (Skolnik, Introduction to Radar Systems; from the scene) against a threshold; hold and block as a circuit; a person noticed to about 5 m as typical of such modules (from memory).',
  price: '1 to 5',
  glyph: 'M4 8H10V16H4ZM13 8A6 6 0 0 1 13 16M16 5A10 10 0 0 1 16 19M19 2A14 14 0 0 1 19 22',
});
