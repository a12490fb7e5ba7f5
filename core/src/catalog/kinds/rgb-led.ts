import { into } from '../solved-values.js';
import { definePart } from '../define-part.js';
import { formatQuantity } from '../../quantity/index.js';
import type { Element } from '../../element/index.js';

const colours = ['red', 'green', 'blue'] as const;
/** Below this a chip is hard to see in a lit room (common practice). */
const visible = 1e-3;

export const rgbLed = definePart({
  kind: 'rgb-led',
  label: 'Three-colour LED',
  summary: 'Red, green and blue in one case with a common cathode.',
  prefix: 'H',
  words: ['rgb', 'colour', 'led', 'light', 'indicator', 'red', 'green', 'blue', 'show'],
  stage: 'acts',
  terminals: [
    { id: 'red', label: 'R', role: 'passive', optional: true },
    { id: 'green', label: 'G', role: 'passive', optional: true },
    { id: 'blue', label: 'B', role: 'passive', optional: true },
    { id: 'k', label: 'K', role: 'passive' },
  ],
  params: [
    { id: 'red', label: 'Red at 10 mA', unit: 'V', default: 1.9, min: 1.4, max: 4 },
    { id: 'green', label: 'Green at 10 mA', unit: 'V', default: 2.9, min: 1.4, max: 4 },
    { id: 'blue', label: 'Blue at 10 mA', unit: 'V', default: 3, min: 1.4, max: 4 },
    { id: 'maxAmps', label: 'Current rating, each', unit: 'A', default: 0.02, min: 1e-3, max: 1 },
  ],
  ratings: colours.flatMap((c) => [
    { into: c, limit: (p: { maxAmps: number }) => p.maxAmps },
    { label: `${c} reversed`, from: 'k' as const, to: c, limit: 5 },
  ]),
  elements: (p) =>
    colours.flatMap((c): Element[] => {
      const emission = 2;
      const bulk = 5;
      const saturation = 0.01 * Math.exp(-(p[c] - 0.01 * bulk) / (emission * 0.025693));
      return [
        { type: 'diode', anode: c, cathode: `#${c}`, saturation, emission, gap: p[c] },
        { type: 'resistor', a: `#${c}`, b: 'k', ohms: bulk },
      ];
    }),
  junctions: colours.map((name) => ({
    anode: name,
    cathode: 'k' as const,
    name,
    visible: true,
    volts: (p: Record<typeof name, number>) => p[name],
    maxAmps: (p: { maxAmps: number }) => p.maxAmps,
  })),
  headline: () => 'common cathode',
  acts: {
    word: 'lit',
    does: 'shines',
    active: (part) => colours.some((c) => into(part, c) >= visible),
    because: (part) =>
      colours.map((c) => `${c} ${formatQuantity(Math.max(0, into(part, c)), 'A')}`).join(', '),
  },
  curve: {
    vary: { plus: 'v', minus: 'k' },
    from: 0,
    to: 5,
    scale: 'linear',
    operating: [3.3, 5],
    loads: [['v', 'red', 220]],
    reads: { amps: 'red' },
  },
  notes: [
    'Each colour needs a resistor of its own: one in the common lead changes the colour.',
    'Common anode and common cathode look alike: test with a coin cell.',
  ],
  cautions: [],
  source:
    'Three diode equations (Shockley, Bell System Technical Journal 28, 1949) through the stated volts at 10 mA; 5 Ω bulk from memory.',
  price: 'under 1',
  glyph:
    'M3 3L9 6L3 9ZM9 3V9M3 9L9 12L3 15ZM9 9V15M3 15L9 18L3 21ZM9 15V21M9 6H15M9 12H15M9 18H15M15 6V18M15 12H21',
});
