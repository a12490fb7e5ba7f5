import { defineHappening } from '../define-happening.js';
import { trapezoid } from '../course.js';

export const warmthComes = defineHappening({
  kind: 'warmth-comes',
  label: 'It gets warmer or colder',
  summary: 'The air warms or cools by some kelvin and comes back; humidity may go with it.',
  words: ['temperature', 'heat', 'cold', 'frost', 'warm', 'humidity', 'fan', 'oven'],
  where: 'everywhere',
  params: [
    { id: 'kelvin', label: 'Warmer by', unit: 'K', default: 10, min: -60, max: 100 },
    { id: 'humid', label: 'More humid by', unit: '%', default: 0, min: -100, max: 100 },
    { id: 'moves', label: 'Comes and goes in', unit: 's', default: 600, min: 1, max: 86400 },
    { id: 'stays', label: 'Stays', unit: 's', default: 600, min: 0, max: 864000 },
  ],
  lasts: ({ params }) => 2 * params.moves + params.stays,
  contributes: {
    temperature: ({ params, t }) =>
      params.kelvin * trapezoid(t, params.moves, params.stays, params.moves),
    humidity: ({ params, t }) =>
      params.humid * trapezoid(t, params.moves, params.stays, params.moves),
  },
  source: 'A trapezoid in time (own convention).',
});
