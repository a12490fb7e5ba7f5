import { definePart } from '../define-part.js';
import type { Element } from '../../element/index.js';

/** The two contacts in the four quarters of a step. */
const gray: readonly (readonly [0 | 1, 0 | 1])[] = [
  [0, 0],
  [1, 0],
  [1, 1],
  [0, 1],
];

export const rotaryKnob = definePart({
  kind: 'rotary-knob',
  label: 'Rotary knob with push',
  summary: 'Two contacts that tell how far and which way it is turned, and one that is pressed.',
  prefix: 'S',
  words: ['knob', 'encoder', 'turn', 'menu', 'press', 'dial', 'mode'],
  stage: 'feels',
  ages: 'Its contacts wear after some ten thousand turns.',
  terminals: [
    { id: 'A', label: 'A', role: 'contact' },
    { id: 'B', label: 'B', role: 'contact' },
    { id: 'SW', label: 'SW', role: 'contact' },
    { id: 'C', label: 'C', role: 'contact' },
  ],
  params: [
    {
      id: 'position',
      label: 'Turned to, quarter steps',
      unit: '',
      default: 0,
      min: 0,
      max: 95,
      whole: true,
    },
    { id: 'force', label: 'Closes when pressed with', unit: 'N', default: 4, min: 0.1, max: 50 },
    { id: 'ohms', label: 'Contact resistance', unit: 'Ω', default: 1, min: 1e-3, max: 1e3 },
    { id: 'bounce', label: 'Bounce', unit: 's', default: 2e-3, min: 0, max: 0.1 },
  ],
  ratings: (['A', 'B', 'SW'] as const).map((into) => ({ into, limit: 0.01 })),
  elements: (p, state) => {
    const [a, b] = gray[p.position % 4] ?? [0, 0];
    const contact = (terminal: string, drive: number, on: number): Element => ({
      type: 'switch',
      a: terminal,
      b: 'C',
      drive,
      rests: 'open',
      on,
      off: 0.7 * on,
      ohms: p.ohms,
      bounce: p.bounce,
    });
    return [
      contact('A', a, 0.5),
      contact('B', b, 0.5),
      contact('SW', state.stimulus.force, p.force),
    ];
  },
  tunable: ['ohms'],
  headline: (p) => `at ${p.position}`,
  senses: { quantities: ['force'], radius: () => 0.01 },
  curve: {
    vary: { param: 'position' },
    from: 0,
    to: 8,
    scale: 'linear',
    operating: [0, 8],
    feeds: [['v', 'C', 5]],
    loads: [
      ['v', 'A', 10e3],
      ['v', 'B', 10e3],
    ],
    reads: { volts: ['A', 'C'] },
  },
  notes: [
    'A before B is one way, B before A the other. Needs pull-ups, and debouncing or a capacitor at each contact.',
  ],
  cautions: [],
  source:
    'Two contacts in quadrature and a push contact; values as typical of small encoders (from memory).',
  price: '1 to 5',
  glyph: 'M12 3A9 9 0 1 0 12 21A9 9 0 1 0 12 3M12 12L17 6M20 2A12 12 0 0 1 23 8M23 5V8L20 7.5',
});
