import { hallSwitchKind } from '../hall-output.js';

export const hallSwitch = hallSwitchKind({
  kind: 'hall-switch',
  first: {
    notices: 'a magnet passing',
    named: 'Magnet',
    wanted: 'magnet-approaches',
    every: 0.005,
  },
  label: 'Hall switch, unipolar',
  summary: 'On while a south pole is near; the other pole does nothing.',
  words: ['unipolar', 'south', 'near'],
  operate: 15e-3,
  release: 10e-3,
  notes: [
    'Only one pole works: turn the magnet round if nothing happens.',
    'Between operate and release point it stays as it was: hysteresis is built in.',
  ],
  source:
    'Comparator with hysteresis on the field (Popović, Hall Effect Devices, 2nd ed. 2004); 15 and 10 mT as typical of unipolar types (data sheets, from memory).',
});
