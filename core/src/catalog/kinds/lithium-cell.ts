import { batteryKind } from '../battery.js';

export const lithiumCell = batteryKind({
  kind: 'lithium-cell',
  label: 'Lithium-ion cell, protected',
  summary: 'A rechargeable cell of 3.7 V with its protection board.',
  words: ['lithium', 'rechargeable', 'cell', '3.7 v', '18650', 'solar'],
  volts: 3.7,
  ampHours: 2.5,
  charge: 0.9,
  ohms: 0.1,
  selfDischarge: 0.03,
  mostHours: 1,
  // 3.0 V empty, flat about 3.7 V, 4.2 V full.
  curve: [0.81, 0.96, 0.985, 1, 1.025, 1.07, 1.135],
  cold: 0.008,
  notes: [
    'Flat for most of its charge: its volts tell little of what is left.',
    'Too low for 5 V parts without a step-up converter, too high for 3.3 V parts without a regulator.',
  ],
  chargedFrom: 0,
  grave: true,
  cautions: [
    'Protected cells only, with a charger made for them; never charge below 0 °C, never solder to a cell.',
    'A pierced or shorted cell burns: fuse it, keep it from heat and sun.',
  ],
  source:
    'Open-circuit volts over charge, capacity as IEC 61960-3 rates it; 0.1 Ω with protection as typical of 18650-size cells (data sheets, from memory).',
  price: '5 to 20',
});
