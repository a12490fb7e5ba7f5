import { across, into } from '../solved-values.js';
import { definePart } from '../define-part.js';
import { formatNominal } from '../../quantity/index.js';

export const fuse = definePart({
  kind: 'fuse',
  label: 'Fuse',
  summary: 'Melts before the wire does.',
  prefix: 'F',
  words: ['protect', 'short', 'overcurrent', 'safety', 'feed'],
  stage: 'feeds',
  floats: true,
  terminals: [
    { id: 'a', label: 'a', role: 'passive' },
    { id: 'b', label: 'b', role: 'passive' },
  ],
  params: [
    { id: 'amps', label: 'Rated current', unit: 'A', default: 1, min: 0.02, max: 30 },
    { id: 'melting', label: 'Melting I²t', unit: 'A²·s', default: 1, min: 1e-5, max: 1e4 },
  ],
  ratings: [
    {
      id: 'amps-a',
      label: 'steady current',
      unit: 'A',
      limit: (p) => p.amps,
      stress: (part) => Math.abs(into(part, 'a')),
      bears: 10,
    },
  ],
  elements: (p) => [
    {
      type: 'fuse',
      a: 'a',
      b: 'b',
      ohms: 0.1 / p.amps,
      // Carries 1.25 times its rating for good, melts at 1.5 times within the hour; the middle is taken.
      carries: 1.35 * p.amps,
      melting: p.melting,
    },
  ],
  fuse: {
    through: 'a',
    param: 'amps',
    amps: (p) => p.amps,
    melted: (part) => Math.abs(across(part, 'a', 'b')) > 0.5 && Math.abs(into(part, 'a')) < 1e-6,
  },
  headline: (p) => formatNominal(p.amps, 'A'),
  curve: {
    vary: { plus: 'a', minus: 'b' },
    from: 0,
    to: 0.05,
    scale: 'linear',
    operating: [0, 0.05],
    reads: { amps: 'a' },
  },
  notes: ['Sits at the source, just above the working current and below what the wire carries.'],
  cautions: ['Never bridge a blown fuse: find why it melted first.'],
  source:
    'First-order thermal model through melting I²t and the current it carries for good, the two by which IEC 60127 rates a fuse-link; 0.1 V at rated current (from memory).',
  price: 'under 1',
  glyph: 'M1 12H4M4 8H20V16H4ZM4 12H20M20 12H23',
});
