import { into } from '../solved-values.js';
import { definePart } from '../define-part.js';
import { formatNominal, formatQuantity } from '../../quantity/index.js';

export const strip12v = definePart({
  kind: 'strip-12v',
  label: 'Light strip, 12 V',
  summary: 'White LEDs in threes with a resistor: a metre or more of light from 12 V.',
  prefix: 'H',
  words: ['strip', 'led', 'light', 'tape', 'stairs', 'cabinet', 'lamp', 'floodlight', 'dim'],
  stage: 'acts',
  answers: { by: 'light', named: 'Light', stage: 'mosfet-stage' },
  terminals: [
    { id: 'plus', label: '+', role: 'supply-in' },
    { id: 'minus', label: '−', role: 'passive' },
  ],
  params: [
    { id: 'length', label: 'Length', unit: 'm', default: 1, min: 0.05, max: 20 },
    {
      id: 'amps',
      label: 'Current a metre at 12 V',
      unit: 'A',
      default: 0.4,
      min: 0.01,
      max: 2,
      tolerance: 0.1,
    },
    {
      id: 'copper',
      label: 'Resistance a metre, there and back',
      unit: 'Ω',
      default: 0.4,
      min: 0.01,
      max: 10,
    },
  ],
  feed: { plus: 'plus', minus: 'minus', least: () => 9 },
  ratings: [
    { label: 'voltage', from: 'plus', to: 'minus', limit: 13.5 },
    { label: 'reversed', from: 'minus', to: 'plus', limit: 15 },
  ],
  elements: (p) => {
    const total = p.amps * p.length;
    const emission = 6;
    // Three diodes of 3 V at the rated current, the rest in the resistor and, at a third of the length, the copper.
    const saturation = total * Math.exp(-9 / (emission * 0.025693));
    return [
      { type: 'resistor', a: 'plus', b: '#far', ohms: (p.copper * p.length) / 3 },
      // Some hundred diodes let next to nothing through even when off.
      { type: 'resistor', a: '#far', b: '#bulk', ohms: 5e6 / p.length },
      { type: 'diode', anode: '#far', cathode: '#bulk', saturation, emission, gap: 8.4 },
      {
        type: 'resistor',
        a: '#bulk',
        b: 'minus',
        ohms: Math.max(0.05 / total, 3 / total - (p.copper * p.length) / 3),
      },
    ];
  },
  load: { amps: (p) => p.amps },
  headline: (p) => formatNominal(p.length, 'm'),
  acts: {
    word: 'lit',
    does: 'shines',
    active: (part, p) => into(part, 'plus') > 0.01 * p.amps * p.length,
    because: (part) => `${formatQuantity(into(part, 'plus'), 'A')} flows through it`,
  },
  curve: {
    vary: { plus: 'plus', minus: 'minus' },
    from: 0,
    to: 14,
    scale: 'linear',
    operating: [11, 13],
    reads: { amps: 'plus' },
  },
  notes: [
    'Far ends are dimmer: feed long strips from both ends.',
    'Dimmed by a MOSFET in its minus lead, with PWM above 200 Hz.',
  ],
  cautions: ['Fuse the feed: a metre takes half an ampere, a short in a strip glows.'],
  source:
    'Three diodes and a resistor in many parallel rows, copper taken at a third of the length; 0.4 A a metre and some µA of leakage as typical (from memory).',
  price: '1 to 5',
  glyph:
    'M1 8H23V16H1ZM4 12A1 1 0 1 0 6 12A1 1 0 1 0 4 12M11 12A1 1 0 1 0 13 12A1 1 0 1 0 11 12M18 12A1 1 0 1 0 20 12A1 1 0 1 0 18 12M5 5V2M12 5V2M19 5V2',
});
