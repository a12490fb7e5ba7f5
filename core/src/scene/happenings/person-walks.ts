import { walker } from '../body/walker.js';

export const personWalks = walker({
  kind: 'person-walks',
  label: 'Someone walks',
  summary: 'A person goes upright along a way: warmth, echo, shadow, steps.',
  words: ['walk', 'intruder', 'visitor', 'people', 'burglar', 'man', 'woman'],
  danger: 'intruder',
  speed: 1.3,
  usual: [0.325, 5.2],
  width: 0.45,
  height: 1.7,
  excess: 8,
  mass: 75,
  echo: 0.5,
  footfall: 0.05,
  loudness: 40,
  source:
    'Walking 1.2–1.4 m/s (common practice); clothed surface 8 K over a room, 0.5 m² radar cross-section, steps 40 dB at 1 m (from memory).',
});
