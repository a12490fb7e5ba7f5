import { definePart } from '../define-part.js';
import { chargedIn } from '../charged-in.js';
import { formatNominal } from '../../quantity/index.js';

/** Permittivity of free space, F/m (CODATA 2022). */
const epsilon0 = 8.8541878188e-12;

export const levelStrip = definePart({
  kind: 'level-strip',
  label: 'Capacitive level strip',
  summary: 'Two insulated strips in a tank: their capacitance rises with the liquid between them.',
  prefix: 'B',
  words: ['level', 'water', 'tank', 'liquid', 'capacitive', 'strip', 'rod'],
  stage: 'feels',
  ages: 'Film and lime on it shift its rest: wipe it and learn anew.',
  frontEnd: 'plates',
  terminals: [
    { id: 'a', label: 'a', role: 'passive' },
    { id: 'b', label: 'b', role: 'signal-out' },
  ],
  params: [
    chargedIn,
    { id: 'foot', label: 'Foot of the strip at', unit: 'm', default: 0, min: 0, max: 50 },
    { id: 'length', label: 'Length', unit: 'm', default: 0.3, min: 0.01, max: 5 },
    { id: 'width', label: 'Width', unit: 'm', default: 0.01, min: 1e-3, max: 0.2 },
    {
      id: 'insulation',
      label: 'Insulation, both',
      unit: 'm',
      default: 0.2e-3,
      min: 1e-5,
      max: 0.005,
    },
    {
      id: 'permittivity',
      label: 'Permittivity of the insulation',
      unit: '',
      default: 3,
      min: 1,
      max: 20,
    },
    { id: 'dry', label: 'Dry, for its length', unit: 'F', default: 20e-12, min: 1e-13, max: 1e-8 },
  ],
  ratings: [
    { label: 'voltage', from: 'a', to: 'b', limit: 50 },
    { label: 'voltage, reversed', from: 'b', to: 'a', limit: 50 },
  ],
  elements: (p, state) => [
    { type: 'capacitor', a: 'a', b: 'b', farads: stripFarads(p, state.stimulus.water) },
    { type: 'resistor', a: 'a', b: 'b', ohms: 1e9 },
  ],
  reads: [
    {
      id: 'picofarads',
      picofarads: true,
      label: 'Capacitance in pF',
      full: () => 65535,
      noise: () => 1,
      counts: (stimulus, p) => 1e12 * stripFarads(p, stimulus.water),
      through: ['a', 'b'],
      works: () => true,
      asked: { by: 'charge', from: 'a', at: 'b', perNano: (p) => p.perNano },
    },
  ],
  headline: (p) => formatNominal(p.length, 'm'),
  senses: { quantities: ['water'] },
  curve: {
    vary: { stimulus: 'water' },
    from: 0,
    to: 0.4,
    scale: 'linear',
    operating: [0, 0.3],
    reads: { readout: 'picofarads' },
  },
  notes: [
    'Water itself is as good as a plate: only the insulation counts, as long as it holds tight.',
    'No current passes through the water: it does not corrode.',
    'A damp film above the water reads as level: let it run off.',
  ],
  cautions: [],
  source:
    'Water as a conducting plate behind the insulation, ε0·εr·w·h/d (closed form), beside what it has dry (from memory).',
  price: 'under 1',
  glyph: 'M8 1V21M14 1V21M8 21H10M14 21H16M1 12Q4 9.5 7 12M15 12Q18 9.5 23 12M10 14H12M10 17H12',
});

type Strip = Record<'length' | 'foot' | 'permittivity' | 'width' | 'insulation' | 'dry', number>;

function stripFarads(p: Strip, water: number): number {
  const wet = Math.min(p.length, Math.max(0, water - p.foot));
  const perMetre = (epsilon0 * p.permittivity * p.width) / p.insulation;
  return p.dry + perMetre * wet;
}
