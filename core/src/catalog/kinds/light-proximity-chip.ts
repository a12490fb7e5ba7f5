import { definePart } from '../define-part.js';
import { choice } from '../choice.js';
import {
  busAsked,
  busBench,
  busElements,
  busNotes,
  busParams,
  busRatings,
  busRegister,
  busTerminals,
  busLines,
  busWorks,
  registerNote,
} from '../bus-chip.js';

/** Times by which the ambient-light reading is taken longer or shorter, s. */
const integrationTimes = { '12.5 ms': 0.0125, '50 ms': 0.05, '100 ms': 0.1, '400 ms': 0.4 };
/** LED currents of its proximity part, A. */
const ranges = { '25 mA': 0.025, '50 mA': 0.05, '100 mA': 0.1 };

export const lightProximityChip = definePart({
  kind: 'light-proximity-chip',
  label: 'Ambient-light and proximity chip',
  summary: 'Counts light in lux and what its own infrared pulses bring back, over a two-wire bus.',
  prefix: 'B',
  words: ['light', 'proximity', 'lux', 'i2c', 'bus', 'ambient', 'digital', 'near', 'gesture'],
  stage: 'feels',
  ages: 'Its window soils; its lamp loses a third in some 50,000 hours.',
  terminals: busTerminals,
  params: [
    ...busParams(0x39, 0.25e-3),
    busRegister(0x14),
    choice('range', 'LED current', ['25 mA', '50 mA', '100 mA'], '50 mA'),
    { id: 'pulses', label: 'Pulses', unit: '', default: 8, min: 1, max: 64, whole: true },
    choice('time', 'Integration time', ['12.5 ms', '50 ms', '100 ms', '400 ms'], '100 ms'),
    {
      id: 'perLux',
      label: 'Counts per lux in 100 ms',
      unit: '',
      default: 20,
      min: 0.1,
      max: 1000,
      tolerance: 0.15,
    },
    {
      id: 'perReturn',
      label: 'Counts per pulse at 100 mA and 1/m²',
      unit: '',
      default: 0.4,
      min: 0.001,
      max: 100,
      tolerance: 0.3,
    },
    { id: 'offset', label: 'Proximity offset', unit: 'counts', default: 12, min: 0, max: 2000 },
    { id: 'halfAngle', label: 'Half-angle', unit: '°', default: 25, min: 1, max: 85 },
  ],
  feed: { plus: 'VCC', minus: 'GND', least: () => 2.4 },
  ratings: busRatings(3.8),
  elements: (p) => busElements(p, 3.3),
  reads: [
    {
      id: 'ambient',
      label: 'Ambient light',
      full: () => 65535,
      noise: () => 2,
      counts: (stimulus, p) =>
        p.perLux * stimulus.light * (integrationTimes[p.time] / integrationTimes['100 ms']),
      through: busLines,
      works: busWorks(2.4),
      asked: busAsked({ words: 'counts' }),
    },
    {
      id: 'proximity',
      label: 'Proximity',
      full: () => 1023,
      noise: (p) => 0.4 * Math.sqrt(p.pulses),
      counts: (stimulus, p) =>
        p.offset +
        p.perReturn * p.pulses * (ranges[p.range] / ranges['100 mA']) * stimulus.reflection,
      through: busLines,
      works: busWorks(2.4),
      asked: busAsked({ words: 'counts' }, 1),
    },
  ],
  phases: [
    { label: 'measuring', amps: (p) => p.own },
    { label: 'asleep', amps: () => 2e-6 },
  ],
  ownAmps: (p) => p.own,
  bus: { data: 'SDA', clock: 'SCL', supply: 'VCC', param: 'address', address: (p) => p.address },
  tunable: ['halfAngle'],
  headline: (p) => `${p.pulses} × ${1000 * ranges[p.range]} mA`,
  senses: {
    quantities: ['light', 'reflection'],
    halfAngle: (p) => p.halfAngle,
    radius: () => 0.004,
  },
  curve: {
    vary: { stimulus: 'reflection' },
    from: 0.1,
    to: 3000,
    scale: 'log',
    operating: [1, 600],
    ...busBench,
    reads: { readout: 'proximity' },
  },
  notes: [
    'More current, more pulses and longer integration see farther but saturate nearer: a trade.',
    'Surfaces beside it give an offset: measure it with nothing in front.',
    'Black things read far lower than grey ones.',
    ...busNotes,
    registerNote,
  ],
  cautions: ['It is made for 3.3 V: 5 V on its supply or bus pins kills it.'],
  source:
    'Counts in proportion to light and time, to pulses, current and what comes back, held at full scale; values as typical of such chips (from memory).',
  price: '1 to 5',
  glyph: 'M4 4H20V20H4ZM8 9A4 4 0 1 1 8 15M14 8V16M17 10V14M1 8H4M1 16H4M20 8H23M20 16H23',
});
