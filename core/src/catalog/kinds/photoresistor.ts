import { definePart } from '../define-part.js';
import { formatNominal } from '../../quantity/index.js';

export const photoresistor = definePart({
  kind: 'photoresistor',
  label: 'Photoresistor',
  summary: 'Its resistance falls as daylight or lamp light rises.',
  prefix: 'B',
  words: ['ldr', 'light', 'dusk', 'dark', 'lamp', 'daylight', 'photocell'],
  stage: 'feels',
  ages: 'Drifts by tens of per cent in years of strong light; its plastic yellows outdoors.',
  beamFrom: 'laser-spot',
  first: { notices: 'dusk', named: 'Light', wanted: 'dusk-falls', every: 1 },
  terminals: [
    { id: 'a', label: 'a', role: 'passive' },
    { id: 'b', label: 'b', role: 'signal-out' },
  ],
  params: [
    {
      id: 'r10',
      label: 'Resistance at 10 lx',
      unit: 'Ω',
      default: 15e3,
      min: 500,
      max: 1e6,
      usual: [1e3, 200e3],
      tolerance: 0.5,
    },
    { id: 'gamma', label: 'Slope γ', unit: '', default: 0.7, min: 0.4, max: 1.1 },
    { id: 'dark', label: 'Dark resistance', unit: 'Ω', default: 2e6, min: 1e4, max: 100e6 },
    { id: 'brightens', label: 'Follows light within', unit: 's', default: 0.02, min: 0, max: 10 },
    { id: 'darkens', label: 'Follows dark within', unit: 's', default: 0.1, min: 0, max: 10 },
    { id: 'halfAngle', label: 'Half-angle', unit: '°', default: 60, min: 1, max: 85 },
    { id: 'radius', label: 'Opening radius', unit: 'm', default: 0.0025, min: 0.0005, max: 0.1 },
  ],
  ratings: [
    { heat: 0.1 },
    { label: 'voltage', from: 'a', to: 'b', limit: 150 },
    { label: 'voltage, reversed', from: 'b', to: 'a', limit: 150 },
  ],
  elements: (p, state) => [
    // The logarithm of the conductance over that in the dark, followed with a lag.
    {
      type: 'level',
      node: '#lit',
      value: Math.log(p.dark / ohmsAt(p, state.stimulus.light)),
      up: p.brightens,
      down: p.darkens,
    },
    {
      type: 'conductance',
      a: 'a',
      b: 'b',
      control: '#lit',
      baseSiemens: 1 / p.dark,
      perVolt: 1,
    },
  ],
  tunable: ['halfAngle'],
  headline: (p) => `${formatNominal(p.r10, 'Ω')}, 10 lx`,
  senses: {
    quantities: ['light'],
    halfAngle: (p) => p.halfAngle,
    radius: (p) => p.radius,
    rises: 'b',
  },
  curve: {
    vary: { stimulus: 'light' },
    from: 0.1,
    to: 10000.0,
    scale: 'log',
    operating: [1, 1000],
    feeds: [['a', 'g', 1]],
    loads: [['b', 'g', 1]],
    reads: { ohms: ['a', 'b'] },
  },
  notes: [
    'Either way round. Answers in tens of milliseconds, slower going dark.',
    'Sees 400–700 nm: an infrared beam is invisible to it.',
  ],
  cautions: [],
  source: 'R = R10·(E/10 lx)^−γ in parallel with the dark resistance; γ 0.5–0.9 (from memory).',
  price: 'under 1',
  glyph: 'M1 12H5M5 8.5H19V15.5H5ZM19 12H23M6 1L10 5M7 5L10 5L10 2M12 1L16 5M13 5L16 5L16 2',
});

/** R10·(E/10 lx)^−γ, with the dark resistance in parallel so that darkness has an end. */
function ohmsAt(p: { r10: number; gamma: number; dark: number }, lux: number): number {
  const lit = p.r10 * (Math.max(lux, 1e-9) / 10) ** -p.gamma;
  return 1 / (1 / lit + 1 / p.dark);
}
