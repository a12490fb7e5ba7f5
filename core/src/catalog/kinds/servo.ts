import type { Element } from '../../element/index.js';
import type { SolvedPart } from '../part-kind.js';
import { across } from '../solved-values.js';
import { definePart } from '../define-part.js';
import { choice } from '../choice.js';
import { supplyLimits } from '../limit.js';
import { formatNominal, formatQuantity } from '../../quantity/index.js';
import { draws } from '../sensor-output.js';

/** What it draws in each way of being on, by the parameter that says how much. */
const drawn = { 'holding still': 'idle', moving: 'moving', stalled: 'stall' } as const;

/** Its arm is there after so many time constants. */
const arrived = 3;
/** Over how long its chip takes the mean of what it is told, s. */
const pulses = 0.02;
/** It runs while its arm is this far from where it is to be, V of 5 V. */
const window = 0.25;

/** A node that follows another with a lag, s. */
const follows = (leader: string, node: string, ohms: number, lag: number): Element[] => [
  { type: 'resistor', a: leader, b: node, ohms },
  { type: 'capacitor', a: node, b: 'GND', farads: lag / ohms },
];

/** Its motor runs, and draws, while one node stands above another. */
const runs = (above: string, below: string, gap: string, amps: number): Element[] => [
  {
    type: 'transconductance',
    from: 'GND',
    to: gap,
    plus: above,
    minus: below,
    siemens: 1e-3,
  },
  { type: 'resistor', a: gap, b: 'GND', ohms: 1e3 },
  {
    type: 'contact',
    a: 'VCC',
    b: `${gap}motor`,
    control: gap,
    rests: 'open',
    on: window,
    off: window / 2,
    ohms: 0.1,
    bounce: 0,
  },
  draws(`${gap}motor`, 'GND', Math.max(0, amps), 5),
];

/** How far its arm has gone, 0 … 1. */
const turned = (part: Pick<SolvedPart<'#arm' | 'VCC' | 'GND'>, 'volts'>): number => {
  const supply = across(part, 'VCC', 'GND');
  return supply > 0.5 ? Math.max(0, across(part, '#arm', 'GND') / supply) : 0;
};

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
  stateNodes: ['#arm'],
  params: [
    { id: 'idle', label: 'Holding still', unit: 'A', default: 8e-3, min: 1e-4, max: 0.5 },
    { id: 'moving', label: 'Moving', unit: 'A', default: 0.25, min: 0.01, max: 5 },
    { id: 'stall', label: 'Stalled', unit: 'A', default: 0.7, min: 0.05, max: 10 },
    choice('now', 'Now', ['holding still', 'moving', 'stalled'], 'holding still'),
    { id: 'turns', label: 'Turns within', unit: 's', default: 0.3, min: 0.02, max: 10 },
    { id: 'sweep', label: 'Turns by', unit: '°', default: 180, min: 1, max: 360 },
  ],
  feed: { plus: 'VCC', minus: 'GND', least: () => 4.8 },
  ratings: [...supplyLimits('VCC', 'GND', 6, 0.3)],
  elements: (p) => [
    draws('VCC', 'GND', p[drawn[p.now]], 5),
    { type: 'resistor', a: 'SIG', b: 'GND', ohms: 50e3 },
    {
      type: 'schmitt',
      input: 'SIG',
      output: '#told',
      supply: 'VCC',
      ground: 'GND',
      inverts: false,
      rising: 0.4,
      falling: 0.2,
      ohms: 10,
      delay: 1e-5,
    },
    ...follows('#told', '#wanted', 1e3, pulses),
    ...follows('#wanted', '#arm', 1e6, p.turns / arrived),
    ...runs('#wanted', '#arm', '#on', p.moving - p.idle),
    ...runs('#arm', '#wanted', '#back', p.moving - p.idle),
  ],
  phases: [
    { label: 'holding still', amps: (p) => p.idle },
    { label: 'moving', amps: (p) => p.moving },
    { label: 'stalled', amps: (p) => p.stall },
  ],
  load: { amps: (p) => p.stall },
  stall: (p) => p.stall,
  arm: { degrees: (part, p) => p.sweep * turned(part), most: (p) => p.sweep },
  now: (p) => p.now,
  headline: (p) => formatNominal(p.moving, 'A'),
  acts: {
    word: 'turned',
    does: 'moves',
    active: (part) => across(part, 'VCC', 'GND') > 4 && turned(part) > 0.5,
    because: (part) =>
      `its arm has gone ${formatQuantity(100 * turned(part), '%')} of the way, ${formatQuantity(across(part, 'VCC', 'GND'), 'V')} at its supply`,
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
  chopped: {
    from: 40,
    to: 60,
    always: true,
    otherwise: 'its arm does not turn as it does in a rehearsal',
    cure: 'Take this output out and give it pulses of 1 to 2 ms, 50 times a second, in your own code; or let a solenoid or a motor move it.',
  },
  notes: [
    'Give it a supply of its own: its jerks reset a controller that shares one.',
    'An output at SIG that is on stands for the pulses that turn it all the way, off for those that bring it back; a dimmed one turns it as far.',
    'Whether it meets something that stalls it is not computed: choose what it is doing to see what it draws.',
  ],
  cautions: ['Fingers and strings get caught.'],
  source:
    'What it draws in three states, and an arm that follows with a lag; values as typical of 9 g servos (from memory).',
  price: '1 to 5',
  glyph: 'M3 8H17V20H3ZM10 8V5M10 5A3 3 0 0 1 13 2L21 4L20 7L12 7M1 11H3M1 17H3M17 11H19M17 17H19',
});
