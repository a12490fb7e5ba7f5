import { across } from '../solved-values.js';
import { beginsAnew } from '../chopped.js';
import { definePart } from '../define-part.js';
import { supplyLimits } from '../limit.js';
import { formatQuantity } from '../../quantity/index.js';
import { draws } from '../sensor-output.js';

/** What stands for the sound that was recorded, Hz. */
const tone = 440;

export const audioPlayer = definePart({
  kind: 'audio-player',
  label: 'Audio player with amplifier',
  summary: 'Plays a recorded sound from a card into a speaker while its trigger is held low.',
  prefix: 'P',
  words: ['sound', 'audio', 'play', 'voice', 'speaker', 'message', 'effect', 'music', 'mp3'],
  stage: 'acts',
  terminals: [
    { id: 'VCC', label: 'VCC', role: 'supply-in' },
    { id: 'GND', label: 'GND', role: 'ground' },
    { id: 'PLAY', label: 'PLAY', role: 'signal-in' },
    { id: 'RX', label: 'RX', role: 'signal-in', optional: true },
    { id: 'BUSY', label: 'BUSY', role: 'signal-out', optional: true },
    { id: 'sp', label: 'SPK+', role: 'signal-out' },
    { id: 'sm', label: 'SPK−', role: 'signal-out' },
  ],
  stateNodes: ['#play'],
  params: [
    { id: 'idle', label: 'Idle', unit: 'A', default: 0.02, min: 1e-4, max: 0.2 },
    { id: 'loud', label: 'Playing, besides', unit: 'A', default: 0.25, min: 0.01, max: 3 },
    { id: 'level', label: 'Amplitude at the speaker', unit: 'V', default: 2, min: 0, max: 10 },
  ],
  feed: { plus: 'VCC', minus: 'GND', least: () => 3.2 },
  ratings: [
    ...supplyLimits('VCC', 'GND', 5.2, 0.3),
    { label: 'RX', from: 'RX', to: 'GND', limit: 3.6 },
  ],
  elements: (p) => [
    draws('VCC', 'GND', p.idle, 5),
    { type: 'resistor', a: 'VCC', b: 'PLAY', ohms: 20e3 },
    { type: 'resistor', a: 'RX', b: 'GND', ohms: 100e3 },
    {
      type: 'schmitt',
      input: 'PLAY',
      output: '#play',
      supply: 'VCC',
      ground: 'GND',
      inverts: true,
      rising: 0.5,
      falling: 0.3,
      ohms: 100,
      delay: 0.05,
    },
    {
      type: 'contact',
      a: 'VCC',
      b: '#amplifier',
      control: '#play',
      rests: 'open',
      on: 1.5,
      off: 1,
      ohms: 0.1,
      bounce: 0,
    },
    draws('#amplifier', 'GND', p.loud, 5),
    // BUSY is low while it plays.
    {
      type: 'schmitt',
      input: '#play',
      output: 'BUSY',
      supply: 'VCC',
      ground: 'GND',
      inverts: true,
      rising: 0.5,
      falling: 0.3,
      ohms: 1000,
      delay: 1e-3,
    },
    // A tone between its two outputs, which stand at half the supply while it plays.
    { type: 'resistor', a: '#amplifier', b: 'sm', ohms: 10e3 },
    { type: 'resistor', a: 'sm', b: 'GND', ohms: 10e3 },
    {
      type: 'voltage-source',
      plus: '#tone',
      minus: 'sm',
      volts: 0,
      wave: { shape: 'sine', mean: 0, amplitude: p.level, hertz: tone },
    },
    {
      type: 'contact',
      a: '#tone',
      b: 'sp',
      control: '#play',
      rests: 'open',
      on: 1.5,
      off: 1,
      ohms: 0.5,
      bounce: 0,
    },
  ],
  phases: [
    { label: 'idle', amps: (p) => p.idle },
    { label: 'playing', amps: (p) => p.idle + p.loud },
  ],
  headline: () => 'PLAY low',
  acts: {
    word: 'playing',
    does: 'sounds',
    active: (part) => across(part, '#play', 'GND') > 1.5,
    because: (part) =>
      `${formatQuantity(across(part, 'PLAY', 'GND'), 'V')} at PLAY; it plays while that is low`,
  },
  curve: {
    vary: { plus: 'PLAY', minus: 'GND' },
    from: 0,
    to: 5,
    scale: 'linear',
    operating: [0, 5],
    feeds: [['VCC', 'GND', 5]],
    reads: { amps: 'VCC' },
  },
  chopped: beginsAnew,
  notes: [
    'A 1 kΩ resistor in its serial line keeps clicks out of the speaker.',
    'A tone of 440 Hz stands for the sound; what is on the card is not computed.',
    'Its amplifier bridges: neither speaker lead goes to ground.',
  ],
  cautions: ['Loud sounds next to ears hurt them; alarms by night fall under local rules.'],
  source:
    'Idle and playing current behind a trigger with pull-up; values as typical of such modules (from memory).',
  price: '1 to 5',
  glyph: 'M3 9H7L12 4V20L7 15H3ZM15 8A5 5 0 0 1 15 16M18 5A9 9 0 0 1 18 19',
});
