import { across, at, into } from '../solved-values.js';
import { definePart } from '../define-part.js';
import { formatNominal, formatQuantity } from '../../quantity/index.js';

/** Share of the working temperature from which it gives light (from memory). */
const glowing = 0.6;

export const filamentLamp = definePart({
  kind: 'filament-lamp',
  label: 'Filament lamp',
  summary: 'A lamp with a hot wire: draws about ten times its current while cold.',
  prefix: 'H',
  words: ['lamp', 'bulb', 'light', 'flood', 'beacon', 'filament'],
  stage: 'acts',
  terminals: [
    { id: 'a', label: 'a', role: 'passive' },
    { id: 'b', label: 'b', role: 'passive' },
  ],
  stateNodes: ['#warmth'],
  params: [
    { id: 'volts', label: 'Rated voltage', unit: 'V', default: 12, min: 1, max: 48 },
    { id: 'watts', label: 'Rated power', unit: 'W', default: 5, min: 0.05, max: 200 },
    { id: 'kelvin', label: 'Working temperature', unit: 'K', default: 2500, min: 1500, max: 3300 },
    { id: 'warming', label: 'Heat held over power', unit: 's', default: 0.15, min: 1e-3, max: 10 },
  ],
  ratings: [
    {
      id: 'volts',
      label: 'voltage',
      unit: 'V',
      limit: (p) => 1.1 * p.volts,
      stress: (part) => Math.abs(across(part, 'a', 'b')),
    },
  ],
  elements: (p) => [
    {
      type: 'filament',
      a: 'a',
      b: 'b',
      warmth: '#warmth',
      hotOhms: p.volts ** 2 / p.watts,
      hotKelvin: p.kelvin,
      watts: p.watts,
      warming: p.warming,
    },
  ],
  load: { volts: (p) => p.volts, amps: (p) => p.watts / p.volts },
  // Tungsten: resistance about as T^1.2, so cold from 293 K.
  inrush: (part, p) => (p.kelvin / 293) ** 1.2 * Math.abs(into(part, 'a')),
  headline: (p) => `${formatNominal(p.volts, 'V')}, ${formatNominal(p.watts, 'W')}`,
  acts: {
    word: 'lit',
    does: 'shines',
    active: (part) => at(part, '#warmth') > glowing,
    because: (part, p) =>
      `its wire is at ${formatQuantity(at(part, '#warmth') * p.kelvin, 'K', 4)} of ${formatNominal(p.kelvin, 'K')}`,
  },
  curve: {
    vary: { plus: 'a', minus: 'b' },
    from: 0,
    to: 14,
    scale: 'linear',
    operating: [10, 13],
    reads: { amps: 'a' },
  },
  notes: ['Contacts and transistors must stand its cold current, about ten times the working one.'],
  cautions: ['Hot enough to burn and to light paper: keep it clear.'],
  source:
    'R against T^1.2 (tungsten; Jones and Langmuir, General Electric Review 30, 1927), heat lost as T⁴ (Stefan and Boltzmann); 2500 K as usual for signal lamps (from memory).',
  price: '1 to 5',
  glyph: 'M1 12H4M20 12H23M12 4A8 8 0 1 0 12 20A8 8 0 1 0 12 4M6.5 6.5L17.5 17.5M17.5 6.5L6.5 17.5',
});
