import { defineHappening } from '../define-happening.js';
import { trapezoid } from '../course.js';

export const dampSettles = defineHappening({
  kind: 'damp-settles',
  label: 'Dew or fog settles',
  summary: 'The air gets damp, a film of water settles on everything in it, and dries again.',
  words: ['damp', 'dew', 'fog', 'mist', 'condensation', 'humidity', 'moisture', 'wet', 'morning'],
  usually: 'nuisance',
  where: 'everywhere',
  params: [
    { id: 'humid', label: 'More humid by', unit: '%', default: 40, min: 0, max: 100 },
    { id: 'wetted', label: 'Share of surfaces wetted', unit: '', default: 0.05, min: 0, max: 1 },
    { id: 'moves', label: 'Settles and dries in', unit: 's', default: 1800, min: 1, max: 86400 },
    { id: 'stays', label: 'Stays', unit: 's', default: 3600, min: 0, max: 864000 },
  ],
  lasts: ({ params }) => 2 * params.moves + params.stays,
  contributes: {
    humidity: ({ params, t }) =>
      params.humid * trapezoid(t, params.moves, params.stays, params.moves),
    wet: ({ params, t }) =>
      params.wetted * trapezoid(t, params.moves, params.stays, params.moves) || undefined,
  },
  source:
    'A trapezoid in time (own convention); dew covers some per cent of a surface in drops (from memory). What leaks over a damp board is not computed.',
});
