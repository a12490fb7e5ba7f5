import { definePart } from '../define-part.js';

/** Gain of the receiving transistor; only its product with the base current shows. */
const gain = 300;

export const optocoupler = definePart({
  kind: 'optocoupler',
  label: 'Optocoupler',
  summary: 'Carries a yes or no across a gap that no current crosses.',
  prefix: 'U',
  words: ['isolate', 'opto', 'coupler', '4n35', '817', 'galvanic', 'separate'],
  stage: 'conditions',
  terminals: [
    { id: 'a', label: 'A', role: 'passive' },
    { id: 'k', label: 'K', role: 'passive' },
    { id: 'c', label: 'C', role: 'signal-out' },
    { id: 'e', label: 'E', role: 'passive' },
  ],
  params: [
    {
      id: 'transfer',
      label: 'Current transfer',
      unit: '×',
      default: 1,
      min: 0.1,
      max: 10,
      tolerance: 0.5,
    },
    { id: 'maxAmps', label: 'LED current', unit: 'A', default: 0.05, min: 1e-3, max: 0.2 },
  ],
  ratings: [
    { into: 'a', limit: (p) => p.maxAmps },
    { label: 'LED reversed', from: 'k', to: 'a', limit: 6 },
    { label: 'collector over emitter', from: 'c', to: 'e', limit: 35 },
    { into: 'c', limit: 0.05 },
  ],
  elements: (p) => [
    { type: 'diode', anode: 'a', cathode: '#bulk', saturation: 1e-13, emission: 1.9 },
    // The LED current is read off over one ohm and becomes base current on the other side.
    { type: 'resistor', a: '#bulk', b: 'k', ohms: 1 },
    {
      type: 'transconductance',
      from: 'c',
      to: '#base',
      plus: '#bulk',
      minus: 'k',
      siemens: p.transfer / gain,
    },
    {
      type: 'bipolar',
      polarity: 'npn',
      collector: 'c',
      base: '#base',
      emitter: 'e',
      saturation: 1e-14,
      forwardGain: gain,
      reverseGain: 2,
    },
    { type: 'resistor', a: '#base', b: 'e', ohms: 20e6 },
  ],
  junctions: [{ anode: 'a', cathode: 'k', volts: () => 1.5, maxAmps: (p) => p.maxAmps }],
  headline: (p) => `${Math.round(100 * p.transfer)} %`,
  curve: {
    vary: { plus: 'v', minus: 'k' },
    from: 0,
    to: 5,
    scale: 'linear',
    operating: [2, 5],
    feeds: [['w', 'e', 5]],
    loads: [
      ['v', 'a', 470],
      ['w', 'c', 4700],
      ['k', 'e', 0.01],
    ],
    reads: { volts: ['c', 'e'] },
  },
  notes: ['Its current transfer ages and differs two to one between parts: leave room.'],
  cautions: ['The gap protects only with the creepage of the part and the board kept clear.'],
  source:
    'LED (Shockley, Bell System Technical Journal 28, 1949), base current in proportion to its current, transistor (Ebers and Moll, Proceedings of the IRE 42, 1954); current transfer ratio as IEC 60747-5-5 defines it, 100 % as typical of 817 types (from memory).',
  price: 'under 1',
  glyph:
    'M2 4H22V20H2ZM6 8H10L8 12ZM6 12H10M8 8V5M8 12V17M16 8V16M16 10L20 7M16 14L20 17M11 10L14 10',
});
