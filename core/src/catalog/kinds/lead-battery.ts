import { formatNominal } from '../../quantity/index.js';
import type { PartKind } from '../part-kind.js';

/** Open-circuit volts of one cell from empty to full, for a lead–acid cell at rest. */
const leadAcid = [1.9, 1.97, 2.01, 2.04, 2.07, 2.1, 2.12];

export const leadBattery: PartKind = {
  kind: 'lead-battery',
  label: 'Lead–acid battery',
  summary: 'Feeds the alarm when the mains is off.',
  prefix: 'G',
  words: ['battery', 'standby', 'backup', 'lead', 'accumulator', '12 v', 'power'],
  stage: 'feeds',
  terminals: [
    { id: 'plus', label: '+', role: 'supply-out' },
    { id: 'minus', label: '−', role: 'ground' },
  ],
  params: [
    { id: 'volts', label: 'Nominal voltage', unit: 'V', default: 12, min: 2, max: 48 },
    { id: 'ampHours', label: 'Capacity', unit: 'A·h', default: 7, min: 0.1, max: 500 },
    { id: 'charge', label: 'Charge', unit: '', default: 0.9, min: 0, max: 1 },
    {
      id: 'ohms',
      label: 'Internal resistance when full',
      unit: 'Ω',
      default: 0.03,
      min: 1e-3,
      max: 10,
    },
    { id: 'age', label: 'Share of its life used', unit: '', default: 0, min: 0, max: 1 },
    {
      id: 'selfDischarge',
      label: 'Self-discharge a month',
      unit: '',
      default: 0.03,
      min: 0,
      max: 0.5,
    },
  ],
  ratings: [
    {
      id: 'amps-out',
      label: 'current drawn',
      unit: 'A',
      limit: (p) => 15 * p['ampHours'],
      stress: (part) => -(part.amps['plus'] ?? 0),
    },
  ],
  elements: (p, state) => {
    // Cold takes a hundredth of the capacity a kelvin. At the end of its life a fifth of the capacity is gone and the resistance has doubled.
    const capacity =
      3600 *
      p['ampHours'] *
      (1 - 0.2 * p['age']) *
      Math.min(1, Math.max(0.2, 1 - 0.01 * (25 - state.celsius)));
    return [
      {
        type: 'battery',
        plus: 'plus',
        minus: 'minus',
        level: '#level',
        capacity,
        charge: p['charge'],
        curve: leadAcid.map((v) => (v * p['volts']) / 2),
        ohms: p['ohms'] * (1 + p['age']) * Math.max(1, 1 + 0.015 * (25 - state.celsius)),
        selfDischarge: (p['selfDischarge'] * capacity) / (30 * 86400),
      },
    ];
  },
  headline: (p) => `${formatNominal(p['volts'], 'V')}, ${formatNominal(p['ampHours'], 'A·h')}`,
  notes: ['Recharge after each discharge; a flat one sulphates and freezes.'],
  cautions: [
    'A shorted battery melts wire and can burst: fuse it at its plus terminal.',
    'Charging gives off hydrogen: ventilate, no flames.',
  ],
  source:
    'Open-circuit volts over charge as usual for lead–acid cells, internal resistance as typical of 7 A·h; replaced at 80 % of capacity (IEEE 1188); the rest from memory.',
  price: '5 to 20',
  glyph: 'M12 1V7M12 17V23M5 7H19M9 10.5H15M5 14H19M9 17H15',
};
