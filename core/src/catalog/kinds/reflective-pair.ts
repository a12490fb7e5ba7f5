import { definePart } from '../define-part.js';
import { formatNominal } from '../../quantity/index.js';
import { photocurrent, photoGain } from '../photocurrent.js';

export const reflectivePair = definePart({
  kind: 'reflective-pair',
  label: 'Reflective infrared pair',
  summary:
    'An infrared LED and a phototransistor side by side: sees what stands in front by what comes back.',
  prefix: 'B',
  words: ['proximity', 'obstacle', 'reflective', 'line', 'near', 'infrared', 'ir', 'hand', 'paper'],
  stage: 'feels',
  ages: 'Its window soils; its lamp loses a third in some 50,000 hours.',
  terminals: [
    { id: 'a', label: 'A', role: 'passive' },
    { id: 'k', label: 'K', role: 'passive' },
    { id: 'c', label: 'C', role: 'signal-out' },
    { id: 'e', label: 'E', role: 'passive' },
  ],
  params: [
    {
      id: 'intensity',
      label: 'LED intensity per ampere',
      unit: 'W/sr/A',
      default: 0.5,
      min: 0.01,
      max: 20,
      tolerance: 0.3,
    },
    {
      id: 'sensitivity',
      label: 'Sensitivity',
      unit: 'A·m²/W',
      default: 1e-4,
      min: 1e-7,
      max: 1e-2,
      tolerance: 0.5,
    },
    { id: 'crosstalk', label: 'Straight across', unit: '1/m²', default: 0.3, min: 0, max: 100 },
    { id: 'aged', label: 'LED light lost by age', unit: '', default: 0, min: 0, max: 0.9 },
    { id: 'dark', label: 'Dark current', unit: 'A', default: 10e-9, min: 0, max: 1e-5 },
    { id: 'halfAngle', label: 'Half-angle', unit: '°', default: 16, min: 1, max: 85 },
    { id: 'spacing', label: 'LED to receiver', unit: 'm', default: 0.006, min: 0.001, max: 0.1 },
    { id: 'maxAmps', label: 'LED current', unit: 'A', default: 0.05, min: 1e-3, max: 1 },
  ],
  ratings: [
    { into: 'a', limit: (p) => p.maxAmps },
    { label: 'LED reversed', from: 'k', to: 'a', limit: 5 },
    { label: 'collector over emitter', from: 'c', to: 'e', limit: 30 },
    { label: 'receiver reversed', from: 'e', to: 'c', limit: 5 },
  ],
  elements: (p, state) => {
    const ambient = p.sensitivity * Math.max(0, state.stimulus.infrared) + p.dark;
    const back =
      p.intensity * (1 - p.aged) * (Math.max(0, state.stimulus.reflection) + p.crosstalk);
    return [
      { type: 'diode', anode: 'a', cathode: '#bulk', saturation: 5.1e-13, emission: 2, gap: 1.4 },
      // The LED current is read off over one ohm; what comes back of it becomes base current.
      { type: 'resistor', a: '#bulk', b: 'k', ohms: 1 },
      {
        type: 'transconductance',
        from: 'c',
        to: '#base',
        plus: '#bulk',
        minus: 'k',
        siemens: (p.sensitivity * back) / (photoGain + 1),
      },
      ...photocurrent(ambient),
      { type: 'resistor', a: '#base', b: 'e', ohms: 10e9 },
    ];
  },
  junctions: [{ anode: 'a', cathode: 'k', volts: () => 1.5, maxAmps: (p) => p.maxAmps }],
  tunable: ['halfAngle'],
  headline: (p) => `±${formatNominal(p.halfAngle, '°')}`,
  senses: {
    quantities: ['reflection', 'infrared'],
    halfAngle: (p) => p.halfAngle,
    radius: (p) => p.spacing,
    noise: () => 0.002,
    rises: 'e',
  },
  curve: {
    vary: { stimulus: 'reflection' },
    from: 0.1,
    to: 1000,
    scale: 'log',
    operating: [1, 300],
    feeds: [['v', 'k', 5]],
    loads: [
      ['v', 'a', 180],
      ['v', 'c', 10e3],
      ['e', 'k', 0.01],
    ],
    reads: { volts: ['c', 'e'] },
  },
  notes: [
    'With the load at the collector the reading falls as more comes back.',
    'White paper throws back about 0.9, grey 0.2 to 0.5, black 0.05 of the infrared.',
    'Stray light adds to what comes back: an opaque tube around each helps.',
  ],
  cautions: [],
  source:
    'LED, what comes back per intensity sent (from the scene, ρ/d² to ρ/d⁴) and crosstalk into the base of a transistor; values as typical of side-by-side 5 mm pairs (from memory).',
  price: 'under 1',
  glyph:
    'M3 3L9 6L3 9ZM9 3V9M3 15V21M3 18H1M3 16L9 13M3 20L9 23M12 5L20 9L12 16M20 3V15M12 16L14.6 16M12 16L13 13.6',
});
