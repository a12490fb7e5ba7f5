import { definePart } from '../define-part.js';
import { supplyLimits } from '../limit.js';
import { formatNominal } from '../../quantity/index.js';
import { holdOutput, holdParams } from '../hold-output.js';

export const pyroelectricModule = definePart({
  kind: 'pyroelectric-module',
  label: 'Motion module, pyroelectric',
  summary: 'High when something warm moves across its fan of zones; holds for a set time.',
  prefix: 'B',
  words: ['motion', 'pir', 'person', 'intruder', 'passive infrared', 'movement', 'heat', 'walk'],
  stage: 'feels',
  ages: 'Hardly; its lens soils, and turns brittle in the sun.',
  ready: true,
  first: { notices: 'someone moving', named: 'Motion', wanted: 'person-walks', every: 0.1 },
  terminals: [
    { id: 'VCC', label: 'VCC', role: 'supply-in' },
    { id: 'OUT', label: 'OUT', role: 'signal-out' },
    { id: 'GND', label: 'GND', role: 'ground' },
  ],
  params: [
    {
      id: 'least',
      label: 'Answers from (sensitivity trimmer)',
      unit: 'W/m²',
      default: 0.2,
      min: 0.02,
      max: 5,
      tolerance: 0.3,
    },
    ...holdParams(3, 40),
    { id: 'halfAngle', label: 'Half-angle', unit: '°', default: 55, min: 5, max: 85 },
    { id: 'zone', label: 'Zone to next zone alike', unit: '°', default: 10, min: 1, max: 60 },
    { id: 'reach', label: 'Reach', unit: 'm', default: 9, min: 1, max: 30 },
  ],
  feed: { plus: 'VCC', minus: 'GND', least: () => 4.5 },
  ratings: [...supplyLimits('VCC', 'GND', 20, 0.5), { into: 'OUT', limit: 0.01 }],
  elements: (p, state) => [
    { type: 'level', node: '#heat', value: state.stimulus.heat / p.least, up: 0.05, down: 0.2 },
    ...holdOutput('#heat', p),
  ],
  phases: [{ label: 'watching', amps: () => 60e-6 }],
  hold: (p) => p.hold,
  warmUp: (p) => p.warmUp,
  tunable: ['halfAngle'],
  headline: (p) => `holds ${formatNominal(p.hold, 's')}`,
  senses: {
    quantities: ['heat'],
    halfAngle: (p) => p.halfAngle,
    zone: (p) => p.zone,
    reach: (p) => p.reach,
    noise: () => 0.01,
  },
  curve: {
    vary: { stimulus: 'heat' },
    from: 0.01,
    to: 10,
    scale: 'log',
    operating: [0.2, 10],
    feeds: [['VCC', 'GND', 5]],
    loads: [['OUT', 'GND', 100e3]],
    reads: { volts: ['OUT', 'GND'] },
  },
  notes: [
    'Sees crossing far better than approaching: place it so that people walk across.',
    'Draughts, sun on the floor, heaters and pets fool it; glass blinds it.',
    'Let software own the time: hold time at its least, retriggering on.',
    'For its first minute it may say anything.',
    'Runs from 4.5 to 20 V with an output of 3.3 V; the sensitivity trimmer sets how little is enough.',
  ],
  cautions: [],
  source:
    'Alternating warmth through its zones (from the scene), as pyroelectric elements answer to change alone (Hossain and Rashid, IEEE Transactions on Industry Applications 27, 1991), against a threshold; hold, block and warm-up as a circuit; 3–7 m, 110°, 2.5 s block as typical of such modules (from memory).',
  price: '1 to 5',
  glyph: 'M4 20A8 8 0 0 1 20 20ZM12 12V3M12 12L6 5M12 12L18 5M2 20H22',
});
