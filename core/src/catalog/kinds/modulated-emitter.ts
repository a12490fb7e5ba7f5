import { across, into } from '../solved-values.js';
import { definePart } from '../define-part.js';
import { supplyLimits } from '../limit.js';
import { formatNominal } from '../../quantity/index.js';
import { draws } from '../sensor-output.js';

export const modulatedEmitter = definePart({
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
  ratings: [...supplyLimits('VCC', 'GND', 6, 0.3)],
  elements: (p) => [draws('VCC', 'GND', p.amps, 5)],
  load: { amps: (p) => p.amps },
  tunable: ['halfAngle'],
  headline: (p) => formatNominal(p.amps, 'A'),
  emits: {
    quantity: 'carrier',
    halfAngle: (p) => p.halfAngle,
    intensity: (part, p) =>
      across(part, 'VCC', 'GND') > 3 ? p.intensity * Math.max(0, into(part, 'VCC')) : 0,
  },
  notes: ['The carrier itself is not computed: its mean current and its mean intensity are.'],
  cautions: ['Do not look into a focused infrared emitter from close by.'],
  source:
    'A resistance that draws its mean current; intensity as typical of lensed beam lamps (from memory).',
  price: '1 to 5',
  glyph: 'M3 12L9 8V16ZM9 8V16M12 8C14 8 14 16 16 16C18 16 18 8 20 8M22 8V16',
});
