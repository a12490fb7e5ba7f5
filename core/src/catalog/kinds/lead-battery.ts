import { batteryKind } from '../battery.js';

export const leadBattery = batteryKind({
  kind: 'lead-battery',
  label: 'Lead–acid battery',
  summary: 'Feeds the alarm when the mains is off.',
  words: ['standby', 'backup', 'lead', 'accumulator', '12 v'],
  volts: 12,
  ampHours: 7,
  charge: 0.9,
  ohms: 0.03,
  selfDischarge: 0.03,
  mostHours: 15,
  // A cell of 2 V at rest: 1.90 V empty, 2.12 V full.
  curve: [0.95, 0.985, 1.005, 1.02, 1.035, 1.05, 1.06],
  cold: 0.01,
  notes: ['Recharge after each discharge; a flat one sulphates and freezes.'],
  grave: true,
  cautions: [
    'A shorted battery melts wire and can burst: fuse it at its plus terminal.',
    'Charging gives off hydrogen: ventilate, no flames.',
  ],
  source:
    'Open-circuit volts over charge as usual for lead–acid cells, capacity as IEC 61056-1 rates it, internal resistance as typical of 7 A·h; replaced at 80 % of capacity (IEEE 1188); the rest from memory.',
  price: '5 to 20',
});
