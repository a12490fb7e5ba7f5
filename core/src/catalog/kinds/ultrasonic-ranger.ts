import { across } from '../solved-values.js';
import { definePart } from '../define-part.js';
import { supplyLimits } from '../limit.js';
import { formatNominal } from '../../quantity/index.js';
import { draws } from '../sensor-output.js';

/** Time after which the echo is given up, s. */
const giveUp = 0.038;

/** Speed of sound in air, 331.3·√(1 + T/273.15 K) m/s (ideal gas). */
const speedOfSound = (celsius: number): number => 331.3 * Math.sqrt(1 + celsius / 273.15);

export const ultrasonicRanger = definePart({
  kind: 'ultrasonic-ranger',
  label: 'Ultrasonic ranger',
  summary: 'Tells the distance to the nearest thing by how long an ultrasonic echo takes.',
  prefix: 'B',
  words: [
    'distance',
    'range',
    'ultrasonic',
    'sonar',
    'echo',
    'level',
    'parking',
    'obstacle',
    'near',
  ],
  stage: 'feels',
  ages: 'Its foils suffer from damp and salt: some years outdoors.',
  ready: true,
  terminals: [
    { id: 'VCC', label: 'VCC', role: 'supply-in' },
    { id: 'TRIG', label: 'TRIG', role: 'signal-in' },
    { id: 'ECHO', label: 'ECHO', role: 'signal-out', highAt: 'VCC' },
    { id: 'GND', label: 'GND', role: 'ground' },
  ],
  params: [
    { id: 'halfAngle', label: 'Half-angle', unit: '°', default: 15, min: 2, max: 60 },
    { id: 'reach', label: 'Reach', unit: 'm', default: 4, min: 0.1, max: 10 },
    { id: 'least', label: 'Blind nearer than', unit: 'm', default: 0.02, min: 0, max: 0.5 },
    { id: 'own', label: 'Own current', unit: 'A', default: 0.015, min: 1e-4, max: 0.1 },
    { id: 'noise', label: 'Noise', unit: 'm', default: 2e-3, min: 0, max: 0.1 },
  ],
  feed: { plus: 'VCC', minus: 'GND', least: () => 4.5 },
  ratings: [...supplyLimits('VCC', 'GND', 5.5, 0.3), { into: 'ECHO', limit: 0.01 }],
  elements: (p) => [
    draws('VCC', 'GND', p.own, 5),
    { type: 'resistor', a: 'TRIG', b: 'GND', ohms: 10e3 },
    { type: 'resistor', a: 'ECHO', b: 'GND', ohms: 1e3 },
  ],
  reads: [
    {
      id: 'echo',
      label: 'Echo time in µs',
      full: () => 1e6 * giveUp,
      noise: () => 3,
      counts: ({ distance, temperature }, p) =>
        distance > p.reach
          ? 1e6 * giveUp
          : (2e6 * Math.max(distance, p.least)) / speedOfSound(temperature),
      through: ['TRIG', 'ECHO'],
      works: (part) => across(part, 'VCC', 'GND') > 4.5,
      asked: { by: 'echo', trigger: 'TRIG', echo: 'ECHO', none: 1e6 * giveUp },
    },
  ],
  ownAmps: (p) => p.own,
  tunable: ['halfAngle'],
  headline: (p) => `to ${formatNominal(p.reach, 'm')}`,
  senses: {
    quantities: ['distance', 'temperature'],
    halfAngle: (p) => p.halfAngle,
    reach: (p) => p.reach,
    noise: (p) => p.noise,
  },
  curve: {
    vary: { stimulus: 'distance' },
    from: 0,
    to: 5,
    scale: 'linear',
    operating: [0.02, 4],
    feeds: [['VCC', 'GND', 5]],
    reads: { readout: 'echo' },
  },
  notes: [
    'Its ECHO pin goes to 5 V: a 3.3 V board needs a divider there.',
    'Sound travels 0.18 % faster a kelvin; soft cloth and slanting faces give no echo.',
    'The controller times the echo: the reading is that time. The pulse itself is not drawn.',
  ],
  cautions: [],
  source:
    'Echo time 2·d/c with c = 331.3·√(1 + T/273.15) m/s, as in ISO 9613-1; reach, cone and 15 mA as typical of such modules (from memory).',
  price: '1 to 5',
  glyph:
    'M2 6H22V18H2ZM5 12A2.5 2.5 0 1 0 10 12A2.5 2.5 0 1 0 5 12M14 12A2.5 2.5 0 1 0 19 12A2.5 2.5 0 1 0 14 12M6 18V21M18 18V21',
});
