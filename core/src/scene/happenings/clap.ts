import { defineHappening } from '../define-happening.js';
import { decay } from '../course.js';
import { sightOf } from '../sight.js';
import { pressureAt } from '../../quantity/index.js';

export const clap = defineHappening({
  kind: 'clap',
  label: 'A clap',
  summary: 'Hands clapped once: loud, sharp, over in a moment.',
  words: ['clap', 'hands', 'sound', 'bang'],
  where: 'point',
  passes: 2,
  params: [
    {
      id: 'level',
      label: 'Level at 1 m',
      unit: 'dB',
      default: 90,
      min: 0,
      max: 140,
      usual: [30, 120],
    },
    { id: 'decay', label: 'Dies away in', unit: 's', default: 0.02, min: 0.001, max: 10 },
  ],
  lasts: ({ params }) => 7 * params.decay,
  contributes: {
    sound: ({ params, t, at }, receiver) =>
      pressureAt(params.level, sightOf(receiver.place, at).distance) * decay(t, params.decay),
  },
  source:
    'About 90 dB at 1 m, dying away in tens of milliseconds (from memory); −6.02 dB per doubling of distance.',
});
