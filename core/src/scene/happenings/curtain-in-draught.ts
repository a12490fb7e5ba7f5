import { swinger } from '../body/swinger.js';

export const curtainInDraught = swinger({
  kind: 'curtain-in-draught',
  label: 'A curtain moves in the draught',
  summary: 'Cloth or a flag swings to and fro at a place.',
  words: ['curtain', 'draught', 'wind', 'flag', 'sail', 'nuisance'],
  only: { outdoors: false },
  ...{ width: 0.8, height: 1.5, swing: 0.15, period: 3, excess: 1.5, echo: 0.01 },
  source: 'Harmonic swing; warmed by a radiator or the sun by a kelvin or two (from memory).',
});
