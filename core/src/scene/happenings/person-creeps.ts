import { walker } from '../body/walker.js';

export const personCreeps = walker({
  kind: 'person-creeps',
  label: 'Someone creeps',
  summary: 'A person upright but very slow: the hardest to notice.',
  words: ['creep', 'slow', 'sneak', 'intruder', 'burglar'],
  danger: 'intruder',
  speed: 0.15,
  usual: [0.0375, 0.6],
  width: 0.45,
  height: 1.7,
  excess: 8,
  mass: 75,
  echo: 0.5,
  footfall: 0.005,
  loudness: 25,
  source:
    'Slow-motion tests of detectors walk 0.1–0.2 m/s; surface and echo as of a walker (from memory).',
});
