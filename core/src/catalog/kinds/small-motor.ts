import { at, into } from '../solved-values.js';
import { definePart } from '../define-part.js';
import { choice } from '../choice.js';
import { formatNominal, formatQuantity } from '../../quantity/index.js';
import { kickBounds } from '../coil.js';
import { copperAt } from '../copper.js';

export const smallMotor = definePart({
  kind: 'small-motor',
  label: 'Small motor',
  summary: 'A brushed motor with gear or without: turns, stalls, kicks back.',
  prefix: 'M',
  words: ['motor', 'turn', 'gear', 'drive', 'prop', 'wiper', 'move', 'dc'],
  stage: 'acts',
  terminals: [
    { id: 'plus', label: '+', role: 'coil' },
    { id: 'minus', label: '−', role: 'coil' },
  ],
  stateNodes: ['#speed'],
  params: [
    { id: 'volts', label: 'Voltage', unit: 'V', default: 6, min: 1, max: 48 },
    {
      id: 'stall',
      label: 'Stall current',
      unit: 'A',
      default: 0.8,
      min: 0.02,
      max: 60,
      tolerance: 0.2,
    },
    { id: 'free', label: 'Current, unloaded', unit: 'A', default: 0.07, min: 1e-3, max: 10 },
    { id: 'speed', label: 'Speed, unloaded', unit: '1/s', default: 150, min: 1, max: 1000 },
    { id: 'load', label: 'Load of stall torque', unit: '', default: 0.2, min: 0, max: 1 },
    choice('held', 'It is', ['free', 'held fast'], 'free'),
  ],
  ratings: [
    { label: 'voltage', from: 'plus', to: 'minus', limit: (p) => 1.5 * p.volts },
    { label: 'voltage, reversed', from: 'minus', to: 'plus', limit: (p) => 1.5 * p.volts },
  ],
  elements: (p, state) => {
    const ohms = p.volts / p.stall;
    const free = Math.min(p.free, 0.5 * p.stall);
    const turns = 2 * Math.PI * p.speed;
    // Back-EMF takes what the winding leaves when it runs free.
    const constant = (p.volts - free * ohms) / turns;
    return [
      {
        type: 'motor',
        a: 'plus',
        b: 'minus',
        speed: '#speed',
        ohms: copperAt(ohms, state.celsius),
        henries: 1e-4 * ohms,
        constant,
        inertia: (0.08 * constant * p.stall) / turns,
        friction: (constant * free) / turns,
        load: p.load * constant * (p.stall - free),
        stalled: p.held === 'held fast',
      },
      ...kickBounds('plus', 'minus', ohms, 100, 10e-9),
    ];
  },
  load: { volts: (p) => p.volts, amps: (p) => p.stall },
  inrush: (_part, p) => p.stall,
  stall: (p) => p.stall,
  headline: (p) => `${formatNominal(p.volts, 'V')}, stall ${formatNominal(p.stall, 'A')}`,
  acts: {
    word: 'turning',
    does: 'moves',
    active: (part, p) => Math.abs(at(part, '#speed')) > 0.02 * 2 * Math.PI * p.speed,
    because: (part) =>
      `${formatQuantity(at(part, '#speed') / (2 * Math.PI), '1/s')} at ${formatQuantity(into(part, 'plus'), 'A')}`,
  },
  coil: { plus: 'plus', minus: 'minus' },
  curve: {
    vary: { plus: 'plus', minus: 'minus' },
    from: 0,
    to: 7,
    scale: 'linear',
    operating: [3, 6],
    reads: { inner: '#speed', label: 'Speed, rad/s', unit: '' },
  },
  notes: [
    'At switch-on and when held it draws its stall current: size driver, wire and fuse for that.',
    '100 nF across its brushes, close to it, and a diode keep its noise away.',
  ],
  cautions: ['Guard what turns.'],
  source:
    'Winding, back-EMF and inertia (Fitzgerald, Kingsley and Umans, Electric Machinery) from free and stall current and free speed; values as typical of small hobby motors (from memory).',
  price: '1 to 5',
  glyph: 'M12 4A8 8 0 1 0 12 20A8 8 0 1 0 12 4M8 16V8L12 13L16 8V16M1 12H4M20 12H23',
});
