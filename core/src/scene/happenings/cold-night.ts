import { defineHappening } from '../define-happening.js';
import { trapezoid } from '../course.js';

export const coldNight = defineHappening({
  kind: 'cold-night',
  label: 'A cold night, or a hot day',
  summary: 'All the air cools or warms, and every part, battery and pipe in it with it.',
  words: ['cold', 'frost', 'winter', 'heat', 'summer', 'night', 'temperature', 'freeze', 'battery'],
  usually: 'nuisance',
  only: { by: 'night' },
  where: 'everywhere',
  params: [
    { id: 'kelvin', label: 'Warmer by', unit: 'K', default: -25, min: -60, max: 60 },
    { id: 'moves', label: 'Comes and goes in', unit: 's', default: 14400, min: 60, max: 86400 },
    { id: 'stays', label: 'Stays', unit: 's', default: 14400, min: 0, max: 864000 },
  ],
  lasts: ({ params }) => 2 * params.moves + params.stays,
  warms: ({ params, t }) => params.kelvin * trapezoid(t, params.moves, params.stays, params.moves),
  source:
    'A trapezoid in time; parts are taken to be as warm as the air, without their own heat or lag (own convention).',
});
