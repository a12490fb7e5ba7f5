import { formatNominal } from '../../quantity/index.js';
import type { PartKind } from '../part-kind.js';
import { ampsRating, voltsRating } from '../ratings.js';

export const rectifierDiode: PartKind = {
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
    ampsRating('a', (p) => p['maxAmps']),
    voltsRating('k', 'a', 'reverse voltage', (p) => p['maxVolts']),
  ],
  elements: () => [
    { type: 'diode', anode: 'a', cathode: '#bulk', saturation: 7e-9, emission: 1.8 },
    { type: 'resistor', a: '#bulk', b: 'k', ohms: 0.034 },
  ],
  headline: (p) => `${formatNominal(p['maxAmps'], 'A')}, ${formatNominal(p['maxVolts'], 'V')}`,
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
  source: 'Diode equation with the usual constants of the type 1N4007 (from memory).',
  price: 'under 1',
  glyph: 'M1 12H7M7 6V18L17 12ZM17 6V18M17 12H23',
};
