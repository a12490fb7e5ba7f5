import { formatNominal, formatQuantity } from '../../quantity/index.js';
import type { PartKind } from '../part-kind.js';
import { voltsRating } from '../ratings.js';
import { draws } from '../sensor-output.js';

export const servo: PartKind = {
  kind: 'servo',
  label: 'Servo',
  summary: 'Turns an arm to an angle that the width of a pulse tells.',
  prefix: 'M',
  words: ['servo', 'turn', 'arm', 'angle', 'motor', 'move', 'prop', 'latch'],
  stage: 'acts',
  terminals: [
    { id: 'VCC', label: '+', role: 'supply-in' },
    { id: 'GND', label: '−', role: 'ground' },
    { id: 'SIG', label: 'SIG', role: 'signal-in' },
  ],
  params: [
    { id: 'idle', label: 'Holding still', unit: 'A', default: 8e-3, min: 1e-4, max: 0.5 },
    { id: 'moving', label: 'Moving', unit: 'A', default: 0.25, min: 0.01, max: 5 },
    { id: 'stall', label: 'Stalled', unit: 'A', default: 0.7, min: 0.05, max: 10 },
    {
      id: 'now',
      label: 'Now',
      unit: '',
      default: 0,
      min: 0,
      max: 2,
      whole: true,
      choices: ['holding still', 'moving', 'stalled'],
    },
  ],
  feed: { plus: 'VCC', minus: 'GND', least: () => 4.8 },
  ratings: [
    voltsRating('VCC', 'GND', 'supply', () => 6),
    voltsRating('GND', 'VCC', 'supply reversed', () => 0.3),
  ],
  elements: (p) => [
    draws('VCC', 'GND', [p['idle'], p['moving'], p['stall']][p['now']] ?? p['idle'], 5),
    { type: 'resistor', a: 'SIG', b: 'GND', ohms: 50e3 },
  ],
  phases: [
    { label: 'holding still', amps: (p) => p['idle'] },
    { label: 'moving', amps: (p) => p['moving'] },
    { label: 'stalled', amps: (p) => p['stall'] },
  ],
  headline: (p) => formatNominal(p['moving'], 'A'),
  acts: {
    word: 'fed',
    active: (part) => (part.volts['VCC'] ?? 0) - (part.volts['GND'] ?? 0) > 4,
    because: (part) =>
      `${formatQuantity(part.amps['VCC'] ?? 0, 'A')} at ${formatQuantity((part.volts['VCC'] ?? 0) - (part.volts['GND'] ?? 0), 'V')}`,
  },
  curve: {
    vary: { param: 'now' },
    from: 0,
    to: 2,
    scale: 'linear',
    operating: [0, 1],
    feeds: [['VCC', 'GND', 5]],
    reads: { amps: 'VCC' },
  },
  notes: [
    'Give it a supply of its own: its jerks reset a controller that shares one.',
    'The angle is not computed: choose what it is doing just now to see what it draws.',
  ],
  cautions: ['Fingers and strings get caught.'],
  source: 'What it draws in three states; values as typical of 9 g servos (from memory).',
  price: '1 to 5',
  glyph: 'M3 8H17V20H3ZM10 8V5M10 5A3 3 0 0 1 13 2L21 4L20 7L12 7M1 11H3M1 17H3M17 11H19M17 17H19',
};
