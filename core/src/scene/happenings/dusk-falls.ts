import { defineHappening } from '../define-happening.js';
import { skyShare } from '../angular-response.js';
import { trapezoid } from '../course.js';
import { infraredPerLux } from '../daylight.js';
import type { Moment } from '../happening-kind.js';

/** What it takes away, lx: below zero. */
const taken = ({ params, t }: Moment<Record<'takes' | 'moves' | 'stays', number>>): number =>
  -params.takes * trapezoid(t, params.moves, params.stays, params.moves);

export const duskFalls = defineHappening({
  kind: 'dusk-falls',
  label: 'It gets dark',
  summary: 'Dusk, a thundercloud or a blind takes some of the daylight away and gives it back.',
  words: ['dusk', 'dark', 'night', 'cloud', 'shade', 'blind', 'sunset', 'light'],
  only: { by: 'day' },
  where: 'everywhere',
  params: [
    { id: 'takes', label: 'Takes away', unit: 'lx', default: 100, min: 0, max: 2e5 },
    {
      id: 'moves',
      label: 'Darkens and brightens in',
      unit: 's',
      default: 20,
      min: 0.01,
      max: 86400,
    },
    { id: 'stays', label: 'Stays dark', unit: 's', default: 20, min: 0, max: 86400 },
  ],
  lasts: ({ params }) => 2 * params.moves + params.stays,
  contributes: {
    light: taken,
    infrared: (now, receiver) => taken(now) * infraredPerLux * skyShare(receiver.halfAngle ?? 90),
  },
  source:
    'A trapezoid in time taken off the daylight; nothing gets darker than dark (own convention).',
});
