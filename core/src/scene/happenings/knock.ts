import { defineHappening } from '../define-happening.js';
import { decay } from '../course.js';
import { sightOf } from '../sight.js';
import { pressureAt } from '../../quantity/index.js';

export const knock = defineHappening({
  kind: 'knock',
  label: 'A knock',
  summary: 'Knuckles or a tool on wood: a short shake and a sound.',
  words: ['knock', 'tap', 'door', 'hammer', 'drawer', 'vibration'],
  where: 'point',
  params: [
    {
      id: 'level',
      label: 'Level at 1 m',
      unit: 'dB',
      default: 65,
      min: 0,
      max: 140,
      usual: [30, 120],
    },
    { id: 'decay', label: 'Dies away in', unit: 's', default: 0.03, min: 0.001, max: 10 },
    {
      id: 'shake',
      label: 'Shakes the panel, within 1 m',
      unit: 'm/s²',
      default: 5,
      min: 0,
      max: 1000,
    },
  ],
  lasts: ({ params }) => 7 * params.decay,
  contributes: {
    sound: ({ params, t, at }, receiver) =>
      pressureAt(params.level, sightOf(receiver.place, at).distance) * decay(t, params.decay),
    vibration: ({ params, t, at }, receiver) =>
      (params.shake * decay(t, params.decay)) / Math.max(1, sightOf(receiver.place, at).distance),
  },
  source: 'About 5 m/s² in the panel and 65 dB at 1 m (from memory).',
});
