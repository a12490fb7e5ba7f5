import { definePart } from '../define-part.js';
import { supplyLimits } from '../limit.js';
import { formatNominal, radians } from '../../quantity/index.js';
import type { Element } from '../../element/index.js';
import { draws } from '../sensor-output.js';

const gravity = 9.80665;

/** Share of the supply that an axis shows. */
const share = (p: { perG: number }, metres: number): number => 0.5 + (p.perG * metres) / gravity;

export const accelerometer = definePart({
  kind: 'accelerometer',
  label: 'Accelerometer, analogue',
  summary: 'Three voltages for the acceleration along three axes: tilt, shake, fall.',
  prefix: 'B',
  words: ['acceleration', 'tilt', 'shake', 'vibration', 'knock', 'move', 'angle', 'axis'],
  stage: 'feels',
  ages: 'Its zero drifts by some hundredths of g in years.',
  terminals: [
    { id: 'VCC', label: 'VCC', role: 'supply-in' },
    { id: 'GND', label: 'GND', role: 'ground' },
    { id: 'X', label: 'X', role: 'signal-out', optional: true },
    { id: 'Y', label: 'Y', role: 'signal-out', optional: true },
    { id: 'Z', label: 'Z', role: 'signal-out', optional: true },
  ],
  params: [
    {
      id: 'perG',
      label: 'Share of supply per g',
      unit: '',
      default: 0.1,
      min: 0.01,
      max: 0.3,
      tolerance: 0.1,
    },
    { id: 'ohms', label: 'Output resistance', unit: 'Ω', default: 32e3, min: 100, max: 1e6 },
    { id: 'own', label: 'Own current', unit: 'A', default: 0.35e-3, min: 1e-6, max: 0.05 },
    { id: 'noise', label: 'Noise', unit: '°', default: 0.3, min: 0, max: 10 },
  ],
  feed: { plus: 'VCC', minus: 'GND', least: () => 1.8 },
  ratings: [...supplyLimits('VCC', 'GND', 3.6, 0.3)],
  elements: (p, { stimulus }) => {
    const angle = radians(stimulus.tilt);
    // Shaking is shown at its peak, on the upright axis.
    const axes = {
      X: gravity * Math.sin(angle),
      Y: 0,
      Z: gravity * Math.cos(angle) + stimulus.vibration,
    };
    return [
      draws('VCC', 'GND', p.own, 3.3),
      ...Object.entries(axes).flatMap(([axis, metres]): Element[] => {
        const held = Math.min(0.98, Math.max(0.02, share(p, metres)));
        // A divider of the output resistance: it follows the supply.
        return [
          { type: 'resistor', a: 'VCC', b: axis, ohms: p.ohms / held },
          { type: 'resistor', a: axis, b: 'GND', ohms: p.ohms / (1 - held) },
        ];
      }),
    ];
  },
  ownAmps: (p) => p.own,
  tunable: ['ohms'],
  outputs: ['X', 'Y', 'Z'],
  headline: (p) => `±${formatNominal(0.45 / p.perG, '')} g`,
  senses: { quantities: ['tilt', 'vibration'], noise: (p) => p.noise, rises: 'X' },
  curve: {
    vary: { stimulus: 'tilt' },
    from: 0,
    to: 180,
    scale: 'linear',
    operating: [0, 90],
    feeds: [['VCC', 'GND', 3.3]],
    reads: { volts: ['X', 'GND'] },
  },
  notes: [
    'Z shows one g at rest: that is how it knows which way is down.',
    'Its outputs are 32 kΩ: 100 nF at each makes the converter read right and takes off noise.',
    'Flat, X tells a degree in 17 mg; upright it tells little: choose the axis that lies flat at rest.',
  ],
  cautions: [],
  source:
    'g·sin and g·cos of the tilt with g = 9.80665 m/s² (General Conference on Weights and Measures, 1901), ratiometric about half the supply; 0.1 of the supply per g, 32 kΩ as typical of ±3 g types (from memory).',
  price: '1 to 5',
  glyph:
    'M12 12V2M9 5L12 2L15 5M12 12L21 17M17.5 17.7L21 17L19.8 13.7M12 12L3 17M4.2 13.7L3 17L6.5 17.7',
});
