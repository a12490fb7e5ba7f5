import { swinger } from '../body/swinger.js';

export const branchSways = swinger({
  kind: 'branch-sways',
  label: 'A branch sways in the wind',
  summary: 'Leaves that the sun has warmed, or the night has cooled, sway to and fro at a place.',
  words: ['branch', 'tree', 'bush', 'leaf', 'leaves', 'wind', 'sway', 'nuisance'],
  only: { outdoors: true },
  ...{ width: 1, height: 1, swing: 0.3, period: 2.5, excess: 3, echo: 0.05 },
  source: 'Harmonic swing; leaves some kelvin off the air by sun or night sky (from memory).',
});
