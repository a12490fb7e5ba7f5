import { defineHappening } from '../define-happening.js';
import { decay } from '../course.js';
import { sightOf } from '../sight.js';
import { pressureAt } from '../../quantity/index.js';

export const glassBreaks = defineHappening({
  kind: 'glass-breaks',
  label: 'Glass breaks',
  summary: 'A pane shatters: a knock, then high ringing.',
  words: ['glass', 'window', 'break', 'smash', 'burglar'],
  danger: 'intruder',
  where: 'point',
  passes: 1,
  params: [
    {
      id: 'level',
      label: 'Level at 1 m',
      unit: 'dB',
      default: 105,
      min: 0,
      max: 140,
      usual: [30, 120],
    },
    { id: 'decay', label: 'Dies away in', unit: 's', default: 0.15, min: 0.001, max: 10 },
    { id: 'shake', label: 'Shakes the frame, at 1 m', unit: 'm/s²', default: 2, min: 0, max: 1000 },
  ],
  lasts: ({ params }) => 7 * params.decay,
  contributes: {
    sound: ({ params, t, at }, receiver) =>
      pressureAt(params.level, sightOf(receiver.place, at).distance) * decay(t, params.decay),
    vibration: ({ params, t, at }, receiver) =>
      (params.shake * decay(t, params.decay)) / Math.max(1, sightOf(receiver.place, at).distance),
  },
  source:
    'About 105 dB at 1 m and 2 m/s² in the frame (from memory); −6.02 dB per doubling of distance.',
});
