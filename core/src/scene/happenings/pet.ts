import { walker } from '../body/walker.js';

export const pet = walker({
  kind: 'pet',
  label: 'A pet runs by',
  summary: 'A cat or dog: small, warm and low.',
  words: ['cat', 'dog', 'animal', 'pet', 'fox', 'nuisance'],
  usually: 'nuisance',
  speed: 1.5,
  usual: [0.1, 8],
  width: 0.4,
  height: 0.3,
  excess: 6,
  mass: 5,
  echo: 0.02,
  footfall: 0.005,
  loudness: 25,
  source:
    'A cat of 5 kg, 0.4 × 0.3 m, fur 6 K over a room; 0.02 m² radar cross-section (from memory).',
});
