import { definePart } from '../define-part.js';

export const smokeChamber = definePart({
  kind: 'smoke-chamber',
  label: 'Smoke chamber, optical',
  summary:
    'An infrared LED and a photodiode that do not see each other until smoke scatters the light.',
  prefix: 'B',
  words: ['smoke', 'fire', 'optical', 'scatter', 'chamber', 'dust'],
  stage: 'feels',
  ages: 'Dust makes it trip sooner and sooner: blow it out twice a year.',
  terminals: [
    { id: 'a', label: 'A', role: 'passive' },
    { id: 'k', label: 'K', role: 'passive' },
    { id: 'pa', label: 'PA', role: 'signal-out' },
    { id: 'pk', label: 'PK', role: 'passive' },
  ],
  params: [
    {
      id: 'perSmoke',
      label: 'Share scattered per dB/m',
      unit: '',
      default: 4e-6,
      min: 1e-8,
      max: 1e-3,
      tolerance: 0.3,
    },
    { id: 'clear', label: 'Share in clear air', unit: '', default: 4e-7, min: 0, max: 1e-4 },
    { id: 'dust', label: 'Share added by dust', unit: '', default: 0, min: 0, max: 1e-4 },
    { id: 'lag', label: 'Smoke enters within', unit: 's', default: 8, min: 0.1, max: 300 },
    { id: 'maxAmps', label: 'LED current, pulsed', unit: 'A', default: 0.3, min: 1e-3, max: 2 },
  ],
  ratings: [
    { into: 'a', limit: (p) => p.maxAmps },
    { label: 'LED reversed', from: 'k', to: 'a', limit: 5 },
    { label: 'photodiode reverse voltage', from: 'pk', to: 'pa', limit: 30 },
  ],
  elements: (p, state) => [
    { type: 'diode', anode: 'a', cathode: '#bulk', saturation: 5.1e-13, emission: 2, gap: 1.4 },
    { type: 'resistor', a: '#bulk', b: 'k', ohms: 1 },
    // Over one ohm the LED current is a voltage; the scattered share of it becomes photocurrent.
    {
      type: 'transconductance',
      from: 'pk',
      to: 'pa',
      plus: '#bulk',
      minus: 'k',
      siemens: p.clear + p.dust,
    },
    // Smoke takes its time to enter and to leave.
    { type: 'level', node: '#smoke', value: state.stimulus.smoke, up: p.lag, down: p.lag },
    {
      type: 'product-source',
      from: 'pk',
      to: 'pa',
      plus: '#bulk',
      minus: 'k',
      by: '#smoke',
      siemens: p.perSmoke,
    },
    { type: 'diode', anode: 'pa', cathode: 'pk', saturation: 1e-11, emission: 1.2 },
    { type: 'resistor', a: 'pa', b: 'pk', ohms: 1e9 },
  ],
  lifeSafety: true,
  headline: () => 'scatter',
  senses: { quantities: ['smoke'], noise: () => 0.005, rises: 'pa' },
  curve: {
    vary: { stimulus: 'smoke' },
    from: 0,
    to: 2,
    scale: 'linear',
    operating: [0.05, 0.5],
    feeds: [['v', 'k', 5]],
    loads: [
      ['v', 'a', 33],
      ['v', 'pk', 1],
      ['pa', 'k', 1e6],
    ],
    reads: { volts: ['pa', 'k'] },
  },
  notes: [
    'Pulse the LED and read in the pulse and beside it: the difference leaves daylight out.',
    'Dust and insects raise the clear-air share with the years: clean it, and follow the baseline.',
    'Steam and toast look like smoke.',
  ],
  cautions: [
    'A hobby smoke detector never replaces a certified smoke alarm (EN 14604, UL 217): fit one of those first.',
  ],
  source:
    'Scattered share in proportion to obscuration in dB/m (EN 54-7 states thresholds so); entry as a first-order lag, its characteristic length over the speed of the air (Heskestad 1977); sizes from memory.',
  price: '1 to 5',
  glyph:
    'M3 4H21V14H3ZM6 7L9 9L6 11ZM18 7V11M3 14L6 20M21 14L18 20M11 17C9 19 13 20 11 22M14 17C12 19 16 20 14 22',
});
