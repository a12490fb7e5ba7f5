import { across } from '../solved-values.js';
import { definePart } from '../define-part.js';
import { supplyLimits } from '../limit.js';
import { formatQuantity } from '../../quantity/index.js';
import { draws } from '../sensor-output.js';

export const stripAddressable = definePart({
  kind: 'strip-addressable',
  label: 'Addressable light strip',
  summary: 'LEDs with a chip in each, set one by one over a single data wire.',
  prefix: 'H',
  words: ['strip', 'addressable', 'pixel', 'led', 'colour', 'rgb', 'effect', 'light'],
  stage: 'acts',
  terminals: [
    { id: 'VCC', label: '5 V', role: 'supply-in' },
    { id: 'GND', label: 'GND', role: 'ground' },
    { id: 'DIN', label: 'DIN', role: 'signal-in' },
  ],
  stateNodes: ['#lit'],
  params: [
    { id: 'pixels', label: 'LEDs', unit: '', default: 30, min: 1, max: 1000, whole: true },
    { id: 'level', label: 'Brightness of all', unit: '', default: 0.3, min: 0, max: 1 },
    { id: 'amps', label: 'Each at full white', unit: 'A', default: 0.05, min: 1e-3, max: 0.1 },
    { id: 'idle', label: 'Each when dark', unit: 'A', default: 0.6e-3, min: 1e-6, max: 0.01 },
  ],
  feed: { plus: 'VCC', minus: 'GND', least: () => 4.5 },
  ratings: [
    ...supplyLimits('VCC', 'GND', 5.5, 0.3),
    { label: 'data above its supply', from: 'DIN', to: 'VCC', limit: 0.5 },
  ],
  elements: (p) => [
    draws('VCC', 'GND', p.pixels * p.idle, 5),
    { type: 'resistor', a: 'DIN', b: 'GND', ohms: 1e6 },
    {
      type: 'schmitt',
      input: 'DIN',
      output: '#lit',
      supply: 'VCC',
      ground: 'GND',
      inverts: false,
      rising: 0.7,
      falling: 0.3,
      ohms: 100,
      delay: 1e-5,
    },
    {
      type: 'contact',
      a: 'VCC',
      b: '#leds',
      control: '#lit',
      rests: 'open',
      on: 1.5,
      off: 1,
      ohms: 0.01,
      bounce: 0,
    },
    draws('#leds', 'GND', p.pixels * p.level * p.amps, 5),
  ],
  phases: [
    { label: 'dark', amps: (p) => p.pixels * p.idle },
    { label: 'full white', amps: (p) => p.pixels * (p.idle + p.amps) },
  ],
  load: { amps: (p) => p.amps },
  headline: (p) => `${p.pixels} LEDs`,
  acts: {
    word: 'lit',
    does: 'shines',
    active: (part, p) =>
      across(part, '#lit', 'GND') > 1.5 && across(part, 'VCC', 'GND') > 3.5 && p.level > 0,
    because: (part) =>
      `${formatQuantity(across(part, 'DIN', 'GND'), 'V')} at DIN of ${formatQuantity(across(part, 'VCC', 'GND'), 'V')} at its supply; it is told from 0.7 of that`,
  },
  curve: {
    vary: { param: 'level' },
    from: 0,
    to: 1,
    scale: 'linear',
    operating: [0, 0.5],
    feeds: [
      ['VCC', 'GND', 5],
      ['DIN', 'GND', 5],
    ],
    reads: { amps: 'VCC' },
  },
  notes: [
    'Its data input wants 0.7 of the supply: a 3.3 V pin needs a level shifter, or 4.5 V for the strip.',
    'A big capacitor at its supply and 330 Ω in the data wire save the first LED.',
    'An output at DIN that is on stands for the data that light it: all alike, as bright as is set here. Colours and effects are not computed.',
  ],
  cautions: ['Thirty LEDs at full white take 1.5 A: fuse it, and feed both ends.'],
  source:
    'A resistance that draws what dark and lit chips draw; 50 mA each at full white as typical (from memory).',
  price: '5 to 20',
  glyph:
    'M1 8H23V16H1ZM3 10H7V14H3ZM10 10H14V14H10ZM17 10H21V14H17ZM5 5V2M12 5V2M19 5V2M7 12H10M14 12H17',
});
