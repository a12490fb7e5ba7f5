import { formatNominal } from '../../quantity/index.js';
import type { PartKind } from '../part-kind.js';
import { voltsRating } from '../ratings.js';
import { draws } from '../sensor-output.js';

export const modulatedEmitter: PartKind = {
  kind: 'modulated-emitter',
  label: 'Beam lamp on a 38 kHz carrier',
  summary:
    'An infrared emitter that blinks 38,000 times a second, for a receiver that answers to nothing else.',
  prefix: 'E',
  words: ['beam', 'carrier', '38 khz', 'infrared', 'ir', 'emitter', 'trip wire', 'modulated'],
  stage: 'feels',
  terminals: [
    { id: 'VCC', label: 'VCC', role: 'supply-in' },
    { id: 'GND', label: 'GND', role: 'ground' },
  ],
  params: [
    { id: 'amps', label: 'Current, mean', unit: 'A', default: 0.025, min: 1e-3, max: 0.5 },
    {
      id: 'intensity',
      label: 'Intensity per ampere',
      unit: 'W/sr/A',
      default: 5,
      min: 0.01,
      max: 1000,
      tolerance: 0.3,
    },
    { id: 'halfAngle', label: 'Half-angle', unit: '°', default: 5, min: 0.5, max: 80 },
  ],
  feed: { plus: 'VCC', minus: 'GND', least: () => 2.7 },
  ratings: [
    voltsRating('VCC', 'GND', 'supply', () => 6),
    voltsRating('GND', 'VCC', 'supply reversed', () => 0.3),
  ],
  elements: (p) => [draws('VCC', 'GND', p['amps'], 5)],
  headline: (p) => formatNominal(p['amps'], 'A'),
  emits: {
    quantity: 'carrier',
    halfAngle: (p) => p['halfAngle'],
    intensity: (part, p) =>
      (part.volts['VCC'] ?? 0) - (part.volts['GND'] ?? 0) > 3
        ? p['intensity'] * Math.max(0, part.amps['VCC'] ?? 0)
        : 0,
  },
  notes: ['The carrier itself is not computed: its mean current and its mean intensity are.'],
  cautions: ['Do not look into a focused infrared emitter from close by.'],
  source:
    'A resistance that draws its mean current; intensity as typical of lensed beam lamps (from memory).',
  price: '1 to 5',
  glyph: 'M3 12L9 8V16ZM9 8V16M12 8C14 8 14 16 16 16C18 16 18 8 20 8M22 8V16',
};
