import { definePart } from '../define-part.js';
import { formatNominal } from '../../quantity/index.js';
import { photocurrent } from '../photocurrent.js';

export const phototransistor = definePart({
  kind: 'phototransistor',
  label: 'Infrared phototransistor',
  summary: 'Passes more current the more infrared falls on it.',
  prefix: 'B',
  words: ['infrared', 'ir', 'light', 'beam', 'receiver', 'photo', 'flame'],
  stage: 'feels',
  ages: 'Hardly; its window soils, and the lamp across loses a third in some 50,000 hours.',
  terminals: [
    { id: 'c', label: 'C', role: 'passive' },
    { id: 'e', label: 'E', role: 'signal-out' },
  ],
  params: [
    {
      id: 'sensitivity',
      label: 'Sensitivity',
      unit: 'A·m²/W',
      default: 1e-4,
      min: 1e-7,
      max: 1e-2,
      tolerance: 0.5,
    },
    { id: 'dark', label: 'Dark current', unit: 'A', default: 10e-9, min: 0, max: 1e-5 },
    { id: 'halfAngle', label: 'Half-angle', unit: '°', default: 10, min: 1, max: 85 },
    { id: 'lens', label: 'Lens gain', unit: '×', default: 1, min: 1, max: 200 },
    { id: 'radius', label: 'Opening radius', unit: 'm', default: 0.0025, min: 0.0005, max: 0.1 },
  ],
  ratings: [
    { heat: 0.1 },
    { label: 'collector over emitter', from: 'c', to: 'e', limit: 30 },
    { label: 'reversed', from: 'e', to: 'c', limit: 5 },
  ],
  elements: (p, state) =>
    photocurrent(p.sensitivity * Math.max(0, state.stimulus.infrared) + p.dark),
  tunable: ['halfAngle'],
  headline: (p) => `×${formatNominal(p.lens, '')}, ±${formatNominal(p.halfAngle, '°')}`,
  senses: {
    quantities: ['infrared'],
    halfAngle: (p) => p.halfAngle,
    gain: (p) => p.lens,
    radius: (p) => p.radius,
    rises: 'e',
  },
  curve: {
    vary: { stimulus: 'infrared' },
    from: 0.01,
    to: 100,
    scale: 'log',
    operating: [0.1, 20],
    feeds: [['c', 'g', 5]],
    loads: [['e', 'g', 10e3]],
    reads: { volts: ['e', 'g'] },
  },
  notes: [
    'The longer lead is usually the emitter; it is the other way round than on an LED.',
    'Sun, filament lamps and some screens give infrared too: shade it with a tube.',
    'Sensitivity differs by a factor of two to three within one type: measure yours.',
  ],
  cautions: [],
  source:
    'Transport form of the model of Ebers and Moll (Proceedings of the IRE 42, 1954) with its photocurrent into the base; 0.1 mA at 1 W/m² (1 mA at 1 mW/cm²) and ratings as typical of 5 mm types (from memory).',
  price: 'under 1',
  glyph: 'M9 5V19M9 12H5M9 9L18 3V1M9 15L18 21V23M14 18.2L18 21L13.2 21M1 3L5 7M2 7L5 7L5 4',
});
