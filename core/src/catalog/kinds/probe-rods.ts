import { into } from '../solved-values.js';
import { definePart } from '../define-part.js';
import { dissolves, iron } from '../electrolysis.js';
import { formatNominal } from '../../quantity/index.js';

/** Eaten up is a rod that over so much of its length has lost three quarters of its section, m (from memory). */
const eatenLength = 0.05;
const eatenShare = 0.75;

/** As good as dry, Ω. */
const dryOhms = 20e6;

export const probeRods = definePart({
  kind: 'probe-rods',
  label: 'Probe rods in water',
  summary: 'Two rods whose resistance falls as the water between them rises.',
  prefix: 'B',
  words: ['water', 'level', 'sump', 'bilge', 'leak', 'probe', 'liquid', 'flood'],
  stage: 'feels',
  ages: 'Under direct current they corrode in weeks, under pulses in years.',
  terminals: [
    { id: 'a', label: 'a', role: 'passive' },
    { id: 'b', label: 'b', role: 'signal-out' },
  ],
  params: [
    { id: 'foot', label: 'Foot of the rods at', unit: 'm', default: 0, min: 0, max: 50 },
    {
      id: 'conductivity',
      label: 'Conductivity of the water',
      unit: 'S/m',
      default: 0.05,
      min: 1e-4,
      max: 10,
      usual: [2e-3, 6],
      tolerance: 0.5,
    },
    { id: 'fouled', label: 'Surface lost to fouling', unit: '', default: 0, min: 0, max: 0.95 },
    { id: 'spacing', label: 'Rod spacing', unit: 'm', default: 0.02, min: 0.002, max: 0.5 },
    { id: 'diameter', label: 'Rod diameter', unit: 'm', default: 0.003, min: 0.0005, max: 0.05 },
    {
      id: 'maxAmps',
      label: 'Current against corrosion',
      unit: 'A',
      default: 0.001,
      min: 1e-6,
      max: 0.1,
    },
  ],
  electrodes: {
    amps: ({ amps }) => amps.a ?? 0,
    coulombs: (p) => dissolves(iron, eatenShare * (Math.PI / 4) * p.diameter ** 2 * eatenLength),
  },
  ratings: [
    {
      id: 'amps-a',
      label: 'current through the water',
      unit: 'A',
      limit: (p) => p.maxAmps,
      stress: (part) => Math.abs(into(part, 'a')),
    },
  ],
  elements: (p, state) => {
    const perMetre =
      (Math.PI * p.conductivity * (1 - p.fouled)) /
      Math.acosh(Math.max(1.001, p.spacing / p.diameter));
    return [
      {
        type: 'resistor',
        a: 'a',
        b: 'b',
        ohms: 1 / (1 / dryOhms + perMetre * Math.max(0, state.stimulus.water - p.foot)),
      },
    ];
  },
  headline: (p) => `${formatNominal(p.spacing, 'm')} apart`,
  senses: { quantities: ['water'] },
  curve: {
    vary: { stimulus: 'water' },
    from: 1e-3,
    to: 0.5,
    scale: 'log',
    operating: [0.01, 0.4],
    feeds: [['a', 'g', 0.1]],
    loads: [['b', 'g', 0.1]],
    reads: { ohms: ['a', 'b'] },
  },
  notes: [
    'Rain, tap and sea water differ in conductivity by orders of magnitude: measure yours.',
    'Direct current eats the rods: power them only while reading, or keep the current small.',
  ],
  cautions: [],
  source:
    'Conductance of two parallel cylinders, π·σ·l/acosh(s/d) (closed form); tap water about 0.05 S/m (from memory). Rods are eaten by Faraday’s law, as iron.',
  price: 'under 1',
  glyph: 'M8 1V19M16 1V19M2 12Q5 9.5 8 12T14 12T20 12M2 17Q5 14.5 8 17T14 17T20 17',
});
