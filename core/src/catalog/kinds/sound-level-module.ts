import type { Element } from '../../element/index.js';
import { definePart } from '../define-part.js';
import { supplyLimits } from '../limit.js';
import { formatNominal } from '../../quantity/index.js';
import { draws, followed } from '../sensor-output.js';

export const soundLevelModule = definePart({
  kind: 'sound-level-module',
  label: 'Sound-level module',
  summary: 'Microphone, amplifier and peak follower: a voltage that goes with how loud it is.',
  prefix: 'B',
  words: ['sound', 'microphone', 'loud', 'noise', 'clap', 'level', 'alarm', 'glass', 'audio'],
  stage: 'feels',
  ages: 'Hardly; dust over its opening makes it deaf.',
  ready: true,
  terminals: [
    { id: 'VCC', label: 'VCC', role: 'supply-in' },
    { id: 'GND', label: 'GND', role: 'ground' },
    { id: 'OUT', label: 'ENV', role: 'signal-out' },
    { id: 'AUD', label: 'AUD', role: 'signal-out', optional: true },
  ],
  params: [
    {
      id: 'sensitivity',
      label: 'Microphone',
      unit: 'V/Pa',
      default: 6.3e-3,
      min: 1e-4,
      max: 1,
      tolerance: 0.4,
    },
    { id: 'gain', label: 'Gain', unit: '×', default: 300, min: 1, max: 1e4, usual: [10, 2000] },
    { id: 'attack', label: 'Attack', unit: 's', default: 1e-3, min: 1e-5, max: 1 },
    { id: 'decay', label: 'Decay', unit: 's', default: 0.05, min: 1e-3, max: 60 },
    { id: 'noise', label: 'Noise, as pressure', unit: 'Pa', default: 5e-4, min: 0, max: 0.1 },
  ],
  feed: { plus: 'VCC', minus: 'GND', least: () => 2.4 },
  ratings: [...supplyLimits('VCC', 'GND', 5.5, 0.3)],
  elements: (p, state) => {
    const peak = Math.SQRT2 * state.stimulus.sound * p.sensitivity * p.gain;
    // The sound itself, as a 1 kHz tone about half the supply, where something listens to it.
    const tone: Element[] = [
      { type: 'resistor', a: 'VCC', b: '#half', ohms: 100e3 },
      { type: 'resistor', a: '#half', b: 'GND', ohms: 100e3 },
      {
        type: 'voltage-source',
        plus: '#audio',
        minus: '#half',
        volts: 0,
        wave: { shape: 'sine', mean: 0, amplitude: peak, hertz: 1000 },
      },
      ...followed('#audio', { output: 'AUD', supply: 'VCC', ground: 'GND' }, 1000),
    ];
    return [
      draws('VCC', 'GND', 1.2e-3, 5),
      { type: 'level', node: '#peak', value: peak, up: p.attack, down: p.decay },
      ...followed('#peak', { output: 'OUT', supply: 'VCC', ground: 'GND' }, 1000),
      ...(state.wired('AUD') ? tone : []),
    ];
  },
  tunable: ['gain'],
  headline: (p) => `× ${formatNominal(p.gain, '')}`,
  senses: { quantities: ['sound'], noise: (p) => p.noise, rises: 'OUT' },
  curve: {
    vary: { stimulus: 'sound' },
    from: 1e-3,
    to: 10,
    scale: 'log',
    operating: [0.01, 1.5],
    feeds: [['VCC', 'GND', 5]],
    reads: { volts: ['OUT', 'GND'] },
  },
  notes: [
    'A clap lasts milliseconds: slow polling misses it unless the follower holds it.',
    'Each doubling of distance takes 6 dB. Wind and knocks on the case are loud too.',
    'Recording people may need their consent: keep the level, not the sound.',
  ],
  cautions: [],
  source:
    'p·S·gain with levels re 20 µPa (ISO 1683), S −44 dB re 1 V/Pa as typical of electret capsules (data sheets, from memory); peak follower with attack and decay, held at the supply. AUD carries a 1 kHz tone of that level in time runs.',
  price: '1 to 5',
  glyph:
    'M9 3A3 3 0 0 1 15 3V10A3 3 0 0 1 9 10ZM6 9A6 6 0 0 0 18 9M12 15V19M8 19H16M20 6V12M22 4V14',
});
