import { definePart } from '../define-part.js';
import { chargedIn } from '../charged-in.js';
import { formatNominal } from '../../quantity/index.js';

/** Permittivity of free space, F/m (CODATA 2022). */
const epsilon0 = 8.8541878188e-12;

export const matCapacitor = definePart({
  kind: 'mat-capacitor',
  label: 'Foil mat',
  summary: 'Foil, paper, foil: its capacitance about doubles when someone steps on it.',
  prefix: 'B',
  words: ['mat', 'pressure', 'step', 'foil', 'capacitor', 'floor', 'stand', 'burglar'],
  stage: 'feels',
  ages: 'Foam settles and damp comes in: it has to learn its rest anew.',
  terminals: [
    { id: 'a', label: 'a', role: 'passive' },
    { id: 'b', label: 'b', role: 'signal-out' },
  ],
  params: [
    chargedIn,
    { id: 'area', label: 'Area', unit: 'm²', default: 0.12, min: 1e-3, max: 4 },
    { id: 'gap', label: 'Gap unloaded', unit: 'm', default: 1.4e-3, min: 2e-5, max: 0.02 },
    { id: 'pressed', label: 'Gap pressed flat', unit: 'm', default: 0.1e-3, min: 1e-5, max: 0.01 },
    { id: 'permittivity', label: 'Relative permittivity', unit: '', default: 2, min: 1, max: 10 },
    {
      id: 'half',
      label: 'Load that presses it half flat',
      unit: 'N',
      default: 100,
      min: 1,
      max: 1e4,
    },
    { id: 'foot', label: 'Area under a foot', unit: 'm²', default: 0.03, min: 1e-4, max: 1 },
    { id: 'age', label: 'Lost of its spring', unit: '', default: 0, min: 0, max: 0.9 },
  ],
  frontEnd: 'plates',
  ratings: [
    { label: 'voltage', from: 'a', to: 'b', limit: 50 },
    { label: 'voltage, reversed', from: 'b', to: 'a', limit: 50 },
  ],
  elements: (p, state) => [
    { type: 'capacitor', a: 'a', b: 'b', farads: matFarads(p, state.stimulus.force) },
    { type: 'resistor', a: 'a', b: 'b', ohms: 2e9 },
  ],
  reads: [
    {
      id: 'picofarads',
      picofarads: true,
      label: 'Capacitance in pF',
      full: () => 65535,
      noise: () => 3,
      counts: (stimulus, p) => 1e12 * matFarads(p, stimulus.force),
      through: ['a', 'b'],
      works: () => true,
      asked: { by: 'charge', from: 'a', at: 'b', perNano: (p) => p.perNano },
    },
  ],
  headline: (p) => formatNominal(matFarads(p, 0), 'F'),
  senses: {
    quantities: ['force'],
    // As wide as a square of its area.
    radius: (p) => Math.sqrt(p.area) / 2,
  },
  curve: {
    vary: { stimulus: 'force' },
    from: 0,
    to: 1500,
    scale: 'linear',
    operating: [100, 900],
    reads: { readout: 'picofarads' },
  },
  notes: [
    'The bigger the mat, the smaller the relative change: only what lies under the foot is pressed.',
    'Take a running baseline: paper takes up damp and loses its spring.',
    'Twenty per cent above the baseline is a good trigger (common practice).',
  ],
  cautions: [],
  source:
    'Plate capacitor ε0·εr·A/d (closed form) of the pressed and the free part; the gap closes as h·F/(F + Fhalf) (own assumption); a foil mat about doubles when stepped on (common practice).',
  price: 'under 1',
  glyph: 'M2 8H22M2 14H22M12 2V6M9 4L12 6L15 4M6 14V20M18 8V4M2 11H22',
});

type Mat = Record<'half' | 'gap' | 'age' | 'pressed' | 'foot' | 'area' | 'permittivity', number>;

/** Capacitance of the part under the foot, with its gap pressed, beside that of the rest. */
function matFarads(p: Mat, newton: number): number {
  const pressing = Math.max(0, newton) / (Math.max(0, newton) + p.half);
  const free = p.gap * (1 - 0.5 * p.age);
  const flat = Math.min(p.pressed, free);
  const under = Math.min(p.foot, p.area);
  const gap = free - (free - flat) * pressing;
  return epsilon0 * p.permittivity * (under / gap + (p.area - under) / free);
}
