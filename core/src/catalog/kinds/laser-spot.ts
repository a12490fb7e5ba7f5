import { into } from '../solved-values.js';
import { definePart } from '../define-part.js';
import { supplyLimits } from '../limit.js';
import { formatNominal, radians } from '../../quantity/index.js';

/** Luminous flux per radiant power at 650 nm: 683 lm/W · V(650 nm) = 0.107. */
const lumensPerWatt = 683 * 0.107;

export const laserSpot = definePart({
  kind: 'laser-spot',
  label: 'Laser module, red',
  summary: 'A thin red beam for a photoresistor far away.',
  prefix: 'E',
  words: ['laser', 'beam', 'trip wire', 'red', 'spot', 'light', 'emitter'],
  stage: 'feels',
  terminals: [
    { id: 'plus', label: '+', role: 'supply-in' },
    { id: 'minus', label: '−', role: 'ground' },
  ],
  params: [
    { id: 'amps', label: 'Current', unit: 'A', default: 0.02, min: 1e-3, max: 0.1 },
    { id: 'watts', label: 'Light power', unit: 'W', default: 0.8e-3, min: 1e-6, max: 1e-3 },
    {
      id: 'halfAngle',
      label: 'Half-angle of the beam',
      unit: '°',
      default: 0.3,
      min: 0.1,
      max: 20,
    },
  ],
  feed: { plus: 'plus', minus: 'minus', least: () => 2.7 },
  ratings: [...supplyLimits('plus', 'minus', 5.5, 2)],
  elements: (p) => [
    // 2.2 V of the diode and a resistor that takes the rest of 5 V.
    { type: 'diode', anode: 'plus', cathode: '#bulk', saturation: 1e-20, emission: 2, gap: 1.9 },
    { type: 'resistor', a: '#bulk', b: 'minus', ohms: 2.8 / p.amps },
  ],
  load: { amps: (p) => p.amps },
  tunable: ['halfAngle'],
  headline: (p) => formatNominal(p.watts, 'W'),
  emits: {
    quantity: 'light',
    halfAngle: (p) => p.halfAngle,
    // Lumens into the solid angle that an even cone of the half-angle has.
    intensity: (part, p) => {
      const share = Math.max(0, into(part, 'plus')) / p.amps;
      const solidAngle = 2 * Math.PI * (1 - Math.cos(radians(p.halfAngle)));
      return (lumensPerWatt * p.watts * Math.min(1.2, share)) / solidAngle;
    },
  },
  curve: {
    vary: { plus: 'plus', minus: 'minus' },
    from: 0,
    to: 5.5,
    scale: 'linear',
    operating: [4.5, 5.5],
    reads: { amps: 'plus' },
  },
  notes: ['A spot of a centimetre needs aiming that stays: fix both ends to something firm.'],
  grave: true,
  cautions: [
    'Class 2 at most, 1 mW, and never at eye height (IEC 60825-1). Do not look into it or at its mirror image.',
  ],
  source:
    'Luminous flux 683 lm/W·V(λ) (CIE system of physical photometry, ISO 23539) into a cone; red diode of about 2.2 V behind a resistor (from memory).',
  price: '1 to 5',
  glyph: 'M2 8H11V16H2ZM11 12H23M20 9L23 12L20 15',
});
