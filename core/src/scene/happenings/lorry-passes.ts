import { defineHappening } from '../define-happening.js';
import { goesAlong, lastsOnWay } from '../body/walker.js';
import { plainBody } from '../body/body.js';

export const lorryPasses = defineHappening({
  kind: 'lorry-passes',
  label: 'A lorry passes',
  summary: 'A heavy vehicle on the road: the ground shakes, a low rumble.',
  words: ['lorry', 'truck', 'road', 'vibration', 'rumble', 'traffic', 'nuisance'],
  usually: 'nuisance',
  where: 'path',
  passes: 8,
  params: [
    { id: 'speed', label: 'Speed', unit: 'm/s', default: 12, min: 0.5, max: 40 },
    { id: 'shake', label: 'Shakes the ground, at 1 m', unit: 'm/s²', default: 1, min: 0, max: 50 },
    { id: 'level', label: 'Level at 1 m', unit: 'dB', default: 95, min: 40, max: 130 },
  ],
  lasts: lastsOnWay,
  body: (now) =>
    goesAlong(now, {
      width: 2.5,
      ...plainBody,
      height: 3.5,
      excess: 5,
      echo: 50,
      mass: 20e3,
      footfall: now.params.shake,
      loudness: now.params.level,
    }),
  source: 'About 1 m/s² at the kerb falling as 1/d, 95 dB at 1 m (from memory).',
});
