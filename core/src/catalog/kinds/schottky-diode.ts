import { definePart } from '../define-part.js';
import { formatNominal } from '../../quantity/index.js';

export const schottkyDiode = definePart({
  kind: 'schottky-diode',
  label: 'Schottky diode (1N5819)',
  summary: 'A diode with half the drop: feeds, polarity protection, fast clamps.',
  prefix: 'D',
  words: ['diode', 'schottky', 'polarity', 'low drop', 'backup', '1n5819'],
  stage: 'drives',
  floats: true,
  terminals: [
    { id: 'a', label: 'A', role: 'passive' },
    { id: 'k', label: 'K', role: 'passive' },
  ],
  params: [
    { id: 'maxAmps', label: 'Current rating', unit: 'A', default: 1, min: 0.05, max: 50 },
    { id: 'maxVolts', label: 'Reverse voltage', unit: 'V', default: 40, min: 10, max: 200 },
  ],
  ratings: [
    // 25 A for a half wave of 8.3 ms (published data sheets of the 1N5817 family): as much heat as 1 A in 2.6 s.
    { into: 'a', limit: (p) => p.maxAmps, bears: 2.6 },
    { label: 'reverse voltage', from: 'k', to: 'a', limit: (p) => p.maxVolts },
  ],
  elements: () => [
    { type: 'diode', anode: 'a', cathode: '#bulk', saturation: 3e-6, emission: 1.05, gap: 0.69 },
    { type: 'resistor', a: '#bulk', b: 'k', ohms: 0.06 },
    // It leaks when hot and reversed.
    { type: 'resistor', a: 'a', b: 'k', ohms: 2e6 },
  ],
  driver: { maxAmps: (p) => p.maxAmps },
  headline: (p) => `${formatNominal(p.maxAmps, 'A')}, ${formatNominal(p.maxVolts, 'V')}`,
  conducts: { from: 'a', to: 'k' },
  curve: {
    vary: { plus: 'a', minus: 'k' },
    from: 0,
    to: 0.6,
    scale: 'linear',
    operating: [0.2, 0.5],
    reads: { amps: 'a' },
  },
  notes: ['The band marks the cathode. Leaks some microamps backwards, more when hot.'],
  cautions: [],
  source:
    'Diode equation (Shockley, Bell System Technical Journal 28, 1949) fitted to 0.34 V at 0.1 A and 0.45 V at 1 A, as typical of the type 1N5819 (from memory).',
  price: 'under 1',
  glyph: 'M1 12H7M7 6V18L17 12ZM14 8V6H17V18H20V16M17 12H23',
});
