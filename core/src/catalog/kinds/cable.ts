import { definePart } from '../define-part.js';
import { formatNominal } from '../../quantity/index.js';
import { copperAt, copperOhms } from '../copper.js';

export const cable = definePart({
  kind: 'cable',
  label: 'Long cable, one pair',
  summary: 'A pair of wires with its resistance, inductance and capacitance.',
  prefix: 'W',
  words: ['wire', 'cable', 'long', 'run', 'voltage drop', 'pair'],
  stage: 'conditions',
  terminals: [
    { id: 'a1', label: 'a near', role: 'passive' },
    { id: 'b1', label: 'b near', role: 'passive' },
    { id: 'a2', label: 'a far', role: 'passive' },
    { id: 'b2', label: 'b far', role: 'passive' },
  ],
  passes: [
    ['a1', 'a2'],
    ['b1', 'b2'],
  ],
  params: [
    { id: 'length', label: 'Length', unit: 'm', default: 10, min: 0.1, max: 2000 },
    {
      id: 'area',
      label: 'Copper area',
      unit: 'm²',
      default: 0.22e-6,
      min: 1e-9,
      max: 1e-4,
      usual: [0.05e-6, 10e-6],
    },
    {
      id: 'farads',
      label: 'Capacitance per metre',
      unit: 'F',
      default: 60e-12,
      min: 1e-12,
      max: 1e-9,
    },
    {
      id: 'henries',
      label: 'Inductance per metre',
      unit: 'H',
      default: 0.7e-6,
      min: 1e-8,
      max: 1e-5,
    },
    { id: 'maxAmps', label: 'Current rating', unit: 'A', default: 2, min: 0.01, max: 100 },
  ],
  ratings: [
    { into: 'a1', limit: (p) => p.maxAmps },
    { into: 'b1', limit: (p) => p.maxAmps },
  ],
  elements: (p, state) => {
    const ohms = copperAt(copperOhms(p.length, p.area), state.celsius);
    const half = { henries: (p.henries * p.length) / 4, ohms: ohms / 2 };
    return [
      { type: 'inductor', a: 'a1', b: '#a', ...half },
      { type: 'inductor', a: '#a', b: 'a2', ...half },
      { type: 'inductor', a: 'b1', b: '#b', ...half },
      { type: 'inductor', a: '#b', b: 'b2', ...half },
      { type: 'capacitor', a: '#a', b: '#b', farads: p.farads * p.length },
      { type: 'resistor', a: '#a', b: '#b', ohms: 1e12 },
    ];
  },
  conductor: { maxAmps: (p) => p.maxAmps },
  ownFarads: (p) => p.farads,
  headline: (p) => formatNominal(p.length, 'm'),
  curve: {
    vary: { plus: 'a1', minus: 'b1' },
    from: 0,
    to: 12,
    scale: 'linear',
    operating: [0, 12],
    loads: [['a2', 'b2', 22]],
    reads: { volts: ['a2', 'b2'] },
  },
  notes: [
    'Thin and long wires drop volts and carry the kicks of motors to the sensors beside them.',
  ],
  cautions: ['Fuse at the source for what the thinnest wire carries.'],
  source:
    'Copper 1.7241e-8 Ω·m at 20 °C and 0.00393/K (IEC 60028); one T section, true up to a tenth of the wavelength; L and C per metre from memory.',
  price: '1 to 5',
  glyph: 'M1 8H23M1 16H23M6 8L9 16M11 8L14 16M16 8L19 16',
});
