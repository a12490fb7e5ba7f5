import { into } from '../solved-values.js';
import { definePart } from '../define-part.js';
import { formatNominal, formatQuantity } from '../../quantity/index.js';

/** Below this a 5 mm indicator is hard to see in a lit room (common practice). */
const visible = 1e-3;

export const led = definePart({
  kind: 'led',
  label: 'Indicator LED',
  summary: 'Shows that something has tripped.',
  prefix: 'H',
  words: ['light', 'lamp', 'indicator', 'red', 'show'],
  stage: 'acts',
  terminals: [
    { id: 'a', label: 'A', role: 'passive' },
    { id: 'k', label: 'K', role: 'passive' },
  ],
  params: [
    { id: 'volts', label: 'Voltage at 10 mA', unit: 'V', default: 1.9, min: 1.4, max: 4 },
    { id: 'maxAmps', label: 'Current rating', unit: 'A', default: 0.02, min: 1e-3, max: 1 },
  ],
  ratings: [
    { into: 'a', limit: (p) => p.maxAmps },
    { label: 'reversed', from: 'k', to: 'a', limit: 5 },
  ],
  elements: (p) => {
    const emission = 2;
    const bulk = 5;
    const saturation = 0.01 * Math.exp(-(p.volts - 0.01 * bulk) / (emission * 0.025693));
    return [
      { type: 'diode', anode: 'a', cathode: '#bulk', saturation, emission, gap: p.volts },
      { type: 'resistor', a: '#bulk', b: 'k', ohms: bulk },
    ];
  },
  junctions: [
    { anode: 'a', cathode: 'k', visible: true, volts: (p) => p.volts, maxAmps: (p) => p.maxAmps },
  ],
  load: { volts: (p) => p.volts },
  headline: (p) => `${formatNominal(p.volts, 'V')}, 10 mA`,
  acts: {
    word: 'lit',
    does: 'shines',
    active: (part) => into(part, 'a') >= visible,
    because: (part) =>
      `${formatQuantity(into(part, 'a'), 'A')} flows; it shows from ${formatQuantity(visible, 'A')}`,
  },
  curve: {
    vary: { plus: 'v', minus: 'k' },
    from: 0,
    to: 12,
    scale: 'linear',
    operating: [3.3, 5],
    loads: [['v', 'a', 220]],
    reads: { amps: 'a' },
  },
  notes: ['Long lead is the anode (+). Always needs a series resistor.'],
  cautions: [],
  source:
    'Diode equation (Shockley, Bell System Technical Journal 28, 1949) through the stated voltage at 10 mA; 5 Ω bulk from memory.',
  price: 'under 1',
  glyph: 'M1 12H7M7 6V18L17 12ZM17 6V18M17 12H23M14 4L18 0M18 3L18 0L15 0M19 6L23 2M23 5L23 2L20 2',
});
