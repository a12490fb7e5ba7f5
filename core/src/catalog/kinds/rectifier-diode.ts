import { definePart } from '../define-part.js';
import { formatNominal } from '../../quantity/index.js';

export const rectifierDiode = definePart({
  kind: 'rectifier-diode',
  label: 'Rectifier diode (1N4007)',
  summary: 'Lets current pass one way; catches the kick of a coil.',
  prefix: 'D',
  words: ['diode', 'flyback', 'freewheel', 'clamp', '1n4007', 'polarity', 'coil'],
  stage: 'drives',
  floats: true,
  terminals: [
    { id: 'a', label: 'A', role: 'passive' },
    { id: 'k', label: 'K', role: 'passive' },
  ],
  params: [
    { id: 'maxAmps', label: 'Current rating', unit: 'A', default: 1, min: 0.05, max: 50 },
    { id: 'maxVolts', label: 'Reverse voltage', unit: 'V', default: 1000, min: 10, max: 2000 },
  ],
  ratings: [
    // 30 A for a half wave of 8.3 ms (published data sheets of the 1N4001 family): as much heat as 1 A in 3.7 s.
    { into: 'a', limit: (p) => p.maxAmps, bears: 3.7 },
    { label: 'reverse voltage', from: 'k', to: 'a', limit: (p) => p.maxVolts },
  ],
  elements: () => [
    { type: 'diode', anode: 'a', cathode: '#bulk', saturation: 7e-9, emission: 1.8 },
    { type: 'resistor', a: '#bulk', b: 'k', ohms: 0.034 },
  ],
  driver: { maxAmps: (p) => p.maxAmps },
  headline: (p) => `${formatNominal(p.maxAmps, 'A')}, ${formatNominal(p.maxVolts, 'V')}`,
  conducts: { from: 'a', to: 'k' },
  curve: {
    vary: { plus: 'a', minus: 'k' },
    from: 0,
    to: 1,
    scale: 'linear',
    operating: [0.6, 0.95],
    reads: { amps: 'a' },
  },
  notes: ['The band marks the cathode. Across a coil the band points to the supply.'],
  cautions: [],
  source:
    'Diode equation (Shockley, Bell System Technical Journal 28, 1949) with the usual constants of the type 1N4007 (from memory).',
  price: 'under 1',
  glyph: 'M1 12H7M7 6V18L17 12ZM17 6V18M17 12H23',
});
