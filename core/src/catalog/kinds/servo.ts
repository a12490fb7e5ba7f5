import { across, into } from '../solved-values.js';
import { definePart } from '../define-part.js';
import { choice } from '../choice.js';
import { supplyLimits } from '../limit.js';
import { formatNominal, formatQuantity } from '../../quantity/index.js';
import { draws } from '../sensor-output.js';

/** What it draws in each way of being on, by the parameter that says how much. */
const drawn = { 'holding still': 'idle', moving: 'moving', stalled: 'stall' } as const;

export const servo = definePart({
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
    choice('now', 'Now', ['holding still', 'moving', 'stalled'], 'holding still'),
  ],
  feed: { plus: 'VCC', minus: 'GND', least: () => 4.8 },
  ratings: [...supplyLimits('VCC', 'GND', 6, 0.3)],
  elements: (p) => [
    draws('VCC', 'GND', p[drawn[p.now]], 5),
    { type: 'resistor', a: 'SIG', b: 'GND', ohms: 50e3 },
  ],
  phases: [
    { label: 'holding still', amps: (p) => p.idle },
    { label: 'moving', amps: (p) => p.moving },
    { label: 'stalled', amps: (p) => p.stall },
  ],
  load: { amps: (p) => p.stall },
  stall: (p) => p.stall,
  now: (p) => p.now,
  headline: (p) => formatNominal(p.moving, 'A'),
  acts: {
    word: 'fed',
    does: 'moves',
    active: (part) => across(part, 'VCC', 'GND') > 4,
    because: (part) =>
      `${formatQuantity(into(part, 'VCC'), 'A')} at ${formatQuantity(across(part, 'VCC', 'GND'), 'V')}`,
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
});
