import { definePart } from '../define-part.js';
import { formatNominal } from '../../quantity/index.js';

/** The reference sun: 1000 W/m² come with about 110 klx (ASTM G173; from memory). */
const wattsPerLux = 1000 / 110e3;

export const solarPanel = definePart({
  kind: 'solar-panel',
  label: 'Solar panel with charger',
  summary: 'Charges a 12 V battery by day, through a diode and a limiter.',
  prefix: 'G',
  words: ['solar', 'sun', 'panel', 'charge', 'autonomy', 'off grid'],
  stage: 'feeds',
  terminals: [
    { id: 'plus', label: '+', role: 'supply-out' },
    { id: 'minus', label: '−', role: 'ground' },
  ],
  params: [
    {
      id: 'shortAmps',
      label: 'Short-circuit current at 1000 W/m²',
      unit: 'A',
      default: 0.6,
      min: 1e-3,
      max: 20,
    },
    { id: 'cells', label: 'Cells in series', unit: '', default: 36, min: 1, max: 144, whole: true },
    { id: 'limit', label: 'Charging ends at', unit: 'V', default: 13.8, min: 1, max: 60 },
  ],
  ratings: [{ into: 'plus', limit: (p) => 1.3 * p.shortAmps }],
  elements: (p, state) => {
    // Five parameters in the single-diode form: photocurrent, saturation, ideality, series and shunt.
    const ideality = 1.3 * p.cells;
    const photo =
      (p.shortAmps * state.stimulus.light * wattsPerLux * (1 + 5e-4 * (state.celsius - 25))) / 1000;
    const open = 0.6 * p.cells;
    const saturation = p.shortAmps / Math.expm1(open / (ideality * 0.025693));
    return [
      { type: 'current-source', from: 'minus', to: '#cell', amps: photo },
      {
        type: 'diode',
        anode: '#cell',
        cathode: 'minus',
        saturation,
        emission: ideality,
        gap: 1.12 * p.cells,
      },
      { type: 'resistor', a: '#cell', b: 'minus', ohms: (25 * open) / p.shortAmps },
      { type: 'resistor', a: '#cell', b: '#panel', ohms: (0.03 * open) / p.shortAmps },
      {
        type: 'regulator',
        input: '#panel',
        output: '#held',
        ground: 'minus',
        volts: p.limit + 0.35,
        dropOut: 0.2,
        outputOhms: 0.05,
      },
      {
        type: 'diode',
        anode: '#held',
        cathode: 'plus',
        saturation: 3e-6,
        emission: 1.05,
        gap: 0.69,
      },
    ];
  },
  senses: { quantities: ['light'] },
  headline: (p) => `${formatNominal(p.shortAmps, 'A')}, ${p.cells} cells`,
  curve: {
    vary: { stimulus: 'light' },
    from: 0,
    to: 110000.0,
    scale: 'linear',
    operating: [1000, 110e3],
    feeds: [['plus', 'minus', 12.5]],
    reads: { amps: 'plus' },
  },
  notes: ['A shaded cell throttles the whole row. Winter sun gives a tenth of summer sun.'],
  cautions: ['A panel in the sun cannot be switched off: cover it before wiring.'],
  source:
    'Single-diode model (De Soto, Klein and Beckman, Solar Energy 80, 2006, reduced) with limiter and blocking diode; ratios from memory.',
  price: '5 to 20',
  glyph: 'M3 8H21V20H3ZM9 8V20M15 8V20M3 14H21M12 1V4M6 2L7.5 4.5M18 2L16.5 4.5',
});
