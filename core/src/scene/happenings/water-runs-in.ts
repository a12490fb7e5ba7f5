import { defineHappening } from '../define-happening.js';
import { trapezoidSum } from '../course.js';

export const waterRunsIn = defineHappening({
  kind: 'water-runs-in',
  label: 'Water runs in',
  summary: 'Rain, a leak or a tap fills a tank, sump or basin, against whatever pumps it out.',
  words: ['water', 'fill', 'rain', 'leak', 'tank', 'sump', 'bilge', 'tap', 'inflow', 'flood'],
  where: 'everywhere',
  lingers: true,
  params: [
    { id: 'rate', label: 'Runs in', unit: 'L/min', default: 3, min: 1e-3, max: 1e5 },
    { id: 'swells', label: 'Comes and goes in', unit: 's', default: 2, min: 0.01, max: 86400 },
    { id: 'lasts', label: 'Runs for', unit: 's', default: 60, min: 0, max: 864000 },
  ],
  lasts: ({ params }) => 2 * params.swells + params.lasts,
  filled: ({ params, t }) =>
    (params.rate / 60) * trapezoidSum(t, params.swells, params.lasts, params.swells),
  source:
    'A trapezoid in time into the tank of the scene, whose level follows from its surface (mass balance).',
});
