import { definePart } from '../define-part.js';
import { copper, dissolves } from '../electrolysis.js';
import { formatNominal } from '../../quantity/index.js';

/** Copper of usual boards, m (IPC-4562, 35 µm). */
const foil = 35e-6;

/** Between the tracks of usual pads, m. */
export const usualGap = 1e-3;

/** Charge by which one half of a pad's tracks is eaten up, A·s; they are as wide as the gaps. */
export const padCharge = (tracks: number, gap: number): number =>
  dissolves(copper, (tracks / 2) * gap * foil);

export const rainPad = definePart({
  kind: 'rain-pad',
  label: 'Rain or leak pad',
  summary: 'Interleaved tracks: their resistance falls as water bridges them.',
  prefix: 'B',
  words: ['rain', 'leak', 'water', 'wet', 'drop', 'flood', 'washing machine', 'pad'],
  stage: 'feels',
  ages: 'Corrodes within months outdoors where it is always fed.',
  first: { notices: 'rain or a leak', named: 'Rain', wanted: 'rain', every: 1 },
  terminals: [
    { id: 'a', label: 'a', role: 'passive' },
    { id: 'b', label: 'b', role: 'signal-out' },
  ],
  params: [
    {
      id: 'conductivity',
      label: 'Conductivity of the water',
      unit: 'S/m',
      default: 5e-3,
      min: 1e-4,
      max: 10,
      usual: [5e-4, 6],
      tolerance: 0.5,
    },
    { id: 'tracks', label: 'Length of all gaps', unit: 'm', default: 1.2, min: 0.01, max: 50 },
    { id: 'gap', label: 'Gap', unit: 'm', default: usualGap, min: 1e-4, max: 0.02 },
    {
      id: 'film',
      label: 'Thickness of the water',
      unit: 'm',
      default: 0.3e-3,
      min: 1e-5,
      max: 0.01,
    },
    { id: 'eaten', label: 'Track eaten by corrosion', unit: '', default: 0, min: 0, max: 0.95 },
    { id: 'dry', label: 'Dry', unit: 'Ω', default: 20e6, min: 1e5, max: 1e10 },
    {
      id: 'maxAmps',
      label: 'Current against corrosion',
      unit: 'A',
      default: 1e-3,
      min: 1e-6,
      max: 0.1,
    },
  ],
  electrodes: {
    // An end to which nothing leads carries nothing.
    amps: ({ amps }) => amps.a ?? 0,
    coulombs: (p) => padCharge(p.tracks, p.gap),
  },
  ratings: [{ into: 'a', limit: (p) => p.maxAmps }],
  elements: (p, state) => [
    {
      type: 'resistor',
      a: 'a',
      b: 'b',
      ohms:
        1 /
        (1 / p.dry +
          (p.conductivity * p.tracks * (1 - p.eaten) * p.film * Math.max(0, state.stimulus.wet)) /
            p.gap),
    },
  ],
  headline: (p) => `${formatNominal(p.conductivity, 'S/m')}`,
  senses: { quantities: ['wet'], radius: () => 0.03, noise: () => 0.002, rises: 'b' },
  curve: {
    vary: { stimulus: 'wet' },
    from: 1e-3,
    to: 1,
    scale: 'log',
    operating: [0.02, 1],
    feeds: [['a', 'g', 0.1]],
    loads: [['b', 'g', 0.1]],
    reads: { ohms: ['a', 'b'] },
  },
  notes: [
    'Power it only while reading: direct current eats the tracks within weeks.',
    'Rain, tap and sea water differ in conductivity by orders of magnitude: calibrate with what will fall.',
    'Dust and salt stay after drying and read as damp.',
  ],
  cautions: [],
  source:
    'Conductance of a film σ·length·thickness/gap over the wet share (closed form); rain about 5 mS/m (from memory). Tracks are eaten by Faraday’s law, as copper.',
  price: 'under 1',
  glyph:
    'M3 14H7V22M7 14V10M11 22V12M15 22V10M19 22V12M3 22H21M8 2C9.5 4 10 5 10 6A2 2 0 0 1 6 6C6 5 6.5 4 8 2M16 3C17 4.5 17.5 5 17.5 6A1.5 1.5 0 0 1 14.5 6C14.5 5 15 4.5 16 3',
});
