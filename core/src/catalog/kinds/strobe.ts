import { across } from '../solved-values.js';
import { beginsAnew } from '../chopped.js';
import { definePart } from '../define-part.js';
import { formatNominal, formatQuantity } from '../../quantity/index.js';
import { draws } from '../sensor-output.js';

export const strobe = definePart({
  kind: 'strobe',
  label: 'Strobe light, 12 V',
  summary: 'Flashes brightly about once a second while it is fed.',
  prefix: 'H',
  words: ['strobe', 'flash', 'beacon', 'light', 'alarm', 'warning', 'lamp'],
  stage: 'acts',
  terminals: [
    { id: 'plus', label: '+', role: 'supply-in' },
    { id: 'minus', label: '−', role: 'passive' },
  ],
  params: [
    { id: 'volts', label: 'Voltage', unit: 'V', default: 12, min: 3, max: 48 },
    {
      id: 'amps',
      label: 'Current, mean',
      unit: 'A',
      default: 0.15,
      min: 0.01,
      max: 3,
      tolerance: 0.2,
    },
    { id: 'works', label: 'Flashes from', unit: 'V', default: 8, min: 1, max: 48 },
  ],
  feed: { plus: 'plus', minus: 'minus', least: () => 9 },
  ratings: [
    { label: 'voltage', from: 'plus', to: 'minus', limit: (p) => 1.25 * p.volts },
    { label: 'reversed', from: 'minus', to: 'plus', limit: 0.5 },
  ],
  elements: (p) => [draws('plus', 'minus', p.amps, p.volts)],
  load: { volts: (p) => p.volts, amps: (p) => p.amps },
  headline: (p) => `${formatNominal(p.volts, 'V')}, ${formatNominal(p.amps, 'A')}`,
  acts: {
    word: 'flashing',
    does: 'shines',
    active: (part, p) => across(part, 'plus', 'minus') > p.works,
    because: (part, p) =>
      `${formatQuantity(across(part, 'plus', 'minus'), 'V')} over it; it flashes from ${formatNominal(p.works, 'V')}`,
  },
  curve: {
    vary: { plus: 'plus', minus: 'minus' },
    from: 0,
    to: 15,
    scale: 'linear',
    operating: [10, 14],
    reads: { amps: 'plus' },
  },
  chopped: beginsAnew,
  notes: [
    'Its mean current is computed, its flashes are not: the peaks of a xenon tube are far higher.',
  ],
  cautions: [
    'Flashes between 3 and 30 Hz can trigger seizures: stay at one or two a second.',
    'A xenon tube works at hundreds of volts: leave its case closed.',
  ],
  source: 'A resistance that draws its mean current (from memory).',
  price: '5 to 20',
  glyph:
    'M7 20H17V17H7ZM8 17V10A4 4 0 0 1 16 10V17M12 4V1M5 6L3 4M19 6L21 4M3 12H1M21 12H23M12 10L10 14H14L12 17',
});
