import { hallSwitchKind } from '../hall-output.js';

export const hallBipolar = hallSwitchKind({
  kind: 'hall-bipolar',
  label: 'Hall switch, bipolar',
  summary: 'On at a south pole, off at a north pole or nearly none: for ring magnets on shafts.',
  words: ['bipolar', 'speed', 'shaft', 'ring'],
  operate: 4e-3,
  release: -4e-3,
  notes: ['Without any magnet it may rest either way: type and sample decide.'],
  source:
    'Comparator with hysteresis about zero field (Popović, Hall Effect Devices, 2nd ed. 2004); ±4 mT as typical of bipolar types (data sheets, from memory).',
});
