import { definePart } from '../define-part.js';
import { formatNominal } from '../../quantity/index.js';
import { photocurrent } from '../photocurrent.js';

export const flameReceiver = definePart({
  kind: 'flame-receiver',
  label: 'Infrared flame receiver',
  summary:
    'A wide-angled phototransistor behind black resin that shuts out visible light; sees flames.',
  prefix: 'B',
  words: ['flame', 'fire', 'candle', 'infrared', 'ir', 'watch', 'heat'],
  stage: 'feels',
  ages: 'Hardly; its window soils: wipe it and set the line anew.',
  first: { notices: 'a flame', named: 'Flame', wanted: 'flame', every: 0.1 },
  terminals: [
    { id: 'c', label: 'C', role: 'passive' },
    { id: 'e', label: 'E', role: 'signal-out' },
  ],
  params: [
    {
      id: 'sensitivity',
      label: 'Sensitivity',
      unit: 'A·m²/W',
      default: 4e-4,
      min: 1e-7,
      max: 1e-2,
      tolerance: 0.5,
    },
    { id: 'dark', label: 'Dark current', unit: 'A', default: 20e-9, min: 0, max: 1e-5 },
    { id: 'halfAngle', label: 'Half-angle', unit: '°', default: 30, min: 1, max: 85 },
    { id: 'radius', label: 'Opening radius', unit: 'm', default: 0.0025, min: 0.0005, max: 0.1 },
    { id: 'noise', label: 'Noise, as irradiance', unit: 'W/m²', default: 2e-4, min: 0, max: 1 },
  ],
  ratings: [
    { heat: 0.1 },
    { label: 'collector over emitter', from: 'c', to: 'e', limit: 30 },
    { label: 'reversed', from: 'e', to: 'c', limit: 5 },
  ],
  elements: (p, state) =>
    photocurrent(p.sensitivity * Math.max(0, state.stimulus.infrared) + p.dark),
  lifeSafety: true,
  tunable: ['halfAngle'],
  headline: (p) => `±${formatNominal(p.halfAngle, '°')}`,
  senses: {
    quantities: ['infrared'],
    halfAngle: (p) => p.halfAngle,
    radius: (p) => p.radius,
    noise: (p) => p.noise,
    rises: 'e',
  },
  curve: {
    vary: { stimulus: 'infrared' },
    from: 0.01,
    to: 100,
    scale: 'log',
    operating: [0.03, 10],
    feeds: [['c', 'g', 5]],
    loads: [['e', 'g', 10e3]],
    reads: { volts: ['e', 'g'] },
  },
  notes: [
    'One sees a cone: several at equal angles cover the whole round.',
    'Sun, filament lamps and remote controls give infrared too; a flame flickers at 1 to 15 Hz, daylight does not.',
    'The longer lead is usually the emitter.',
  ],
  cautions: [
    'A hobby fire alarm never replaces a certified smoke or heat alarm (EN 14604, UL 217). Test with a candle, an extinguisher at hand.',
  ],
  source:
    'Transport form of the model of Ebers and Moll (Proceedings of the IRE 42, 1954) with its photocurrent into the base; 0.4 mA at 1 W/m², ±30° and ratings as typical of black 5 mm types for 760–1100 nm (from memory).',
  price: 'under 1',
  glyph: 'M9 5V19M9 12H5M9 9L18 3V1M9 15L18 21V23M2 9C0 6 3 5 3 2C6 4 6 7 4 9C3 10 3 10 2 9',
});
