import { definePart } from '../define-part.js';
import { formatNominal } from '../../quantity/index.js';

export const forceFilm = definePart({
  kind: 'force-film',
  label: 'Pressure film',
  summary: 'Its resistance falls as it is pressed: seat, step, squeeze.',
  prefix: 'B',
  words: ['pressure', 'force', 'seat', 'sit', 'press', 'weight', 'film', 'squeeze', 'step'],
  stage: 'feels',
  ages: 'Softens in years of use: learn its rest anew.',
  first: { notices: 'a step', named: 'Step', wanted: 'footstep', every: 0.02 },
  terminals: [
    { id: 'a', label: 'a', role: 'passive' },
    { id: 'b', label: 'b', role: 'signal-out' },
  ],
  params: [
    {
      id: 'k',
      label: 'Resistance at 1 N',
      unit: 'Ω',
      default: 30e3,
      min: 500,
      max: 1e6,
      tolerance: 0.25,
    },
    { id: 'n', label: 'Exponent', unit: '', default: 0.9, min: 0.3, max: 1.5 },
    { id: 'least', label: 'Answers from', unit: 'N', default: 0.2, min: 0.001, max: 20 },
    { id: 'unloaded', label: 'Unloaded', unit: 'Ω', default: 10e6, min: 1e5, max: 1e9 },
    { id: 'radius', label: 'Radius of what loads it', unit: 'm', default: 0.1, min: 0.003, max: 1 },
    {
      id: 'share',
      label: 'Share of the load it carries',
      unit: '',
      default: 0.02,
      min: 1e-4,
      max: 1,
    },
    { id: 'creep', label: 'Creeps a decade of time', unit: '', default: 0.03, min: 0, max: 0.2 },
    { id: 'crept', label: 'Has crept by', unit: '', default: 0, min: 0, max: 1 },
  ],
  creeps: {
    under: 'force',
    from: (p) => p.least / p.share,
    share: (p) => p.creep,
    param: 'crept',
  },
  ratings: [{ heat: 0.05 }, { into: 'a', limit: 1e-3 }],
  elements: (p, state) => {
    const newton = state.stimulus.force * p.share;
    // It answers gradually around its least force.
    const fresh = newton > 0 ? (newton ** p.n / p.k) * (1 - Math.exp(-newton / p.least)) : 0;
    const siemens = fresh * (1 + p.crept);
    return [
      // Decades of conductance, followed within milliseconds.
      {
        type: 'level',
        node: '#press',
        value: Math.log(1 + siemens * p.unloaded),
        up: 3e-3,
        down: 8e-3,
      },
      {
        type: 'conductance',
        a: 'a',
        b: 'b',
        control: '#press',
        baseSiemens: 1 / p.unloaded,
        perVolt: 1,
      },
    ];
  },
  headline: (p) => `${formatNominal(p.k, 'Ω')} at 1 N`,
  senses: { quantities: ['force'], radius: (p) => p.radius, rises: 'b' },
  curve: {
    vary: { stimulus: 'force' },
    from: 5,
    to: 5000,
    scale: 'log',
    operating: [20, 1000],
    feeds: [['a', 'g', 1]],
    loads: [['b', 'g', 1]],
    reads: { ohms: ['a', 'b'] },
  },
  notes: [
    'Two of them under one load read differently by a quarter: calibrate each.',
    'It creeps: a steady load reads a few per cent more each decade of time, as rehearsals in time show.',
    'Keep it flat; a sharp bend reads as pressure for ever.',
  ],
  cautions: [
    'Not for anything on which people rely: vulnerable people and medical use are out of scope.',
  ],
  source:
    'R = k/Fⁿ with n about 1, an answer from a least force, the share of a load that the film lies under, creep of 2 to 5 % a decade (from memory).',
  price: '1 to 5',
  glyph: 'M4 15H20V19H4ZM12 1V11M8 7L12 11L16 7M1 17H4M20 17H23M7 17H17',
});
