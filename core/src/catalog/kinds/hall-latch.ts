import { hallSwitchKind } from '../hall-output.js';

export const hallLatch = hallSwitchKind({
  kind: 'hall-latch',
  label: 'Hall latch',
  summary: 'A south pole switches it on and it stays on until a north pole comes.',
  words: ['latch', 'remember', 'memory', 'pole'],
  operate: 8e-3,
  release: -8e-3,
  notes: ['Taking the magnet away changes nothing; only the other pole lets it go.'],
  source:
    'Comparator with hysteresis about zero field (Popović, Hall Effect Devices, 2nd ed. 2004); ±8 mT as typical of latching types (data sheets, from memory).',
});
