import { batteryKind } from '../battery.js';

export const alkalinePack = batteryKind({
  kind: 'alkaline-pack',
  label: 'Alkaline cells',
  summary: 'Primary cells in a holder: for what sleeps most of the time.',
  words: ['alkaline', 'cells', 'primary', '4.5 v', '6 v', 'aa', 'holder'],
  volts: 4.5,
  ampHours: 2.5,
  charge: 1,
  ohms: 0.45,
  selfDischarge: 0.002,
  mostHours: 0.4,
  // A cell of 1.5 V: 0.9 V empty, 1.6 V new, sloping all the way.
  curve: [0.6, 0.73, 0.78, 0.81, 0.84, 0.89, 1.06],
  cold: 0.012,
  notes: [
    'They sag under load and in the cold: a third of their capacity is left at freezing point.',
    'Volts slope all the way down: a regulator with low drop-out uses more of them.',
  ],
  cautions: ['Never charge them, never mix old and new: they leak and can burst.'],
  source:
    'Open-circuit volts over charge, capacity as IEC 60086-2 tests it; 0.15 Ω a cell as typical of AA alkaline cells (data sheets, from memory).',
  price: '1 to 5',
});
