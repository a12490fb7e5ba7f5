import { defineHappening } from '../define-happening.js';

export const batteryAges = defineHappening({
  kind: 'battery-ages',
  label: 'The battery runs down',
  summary: 'Its charge falls to a share of what it was, and stays there.',
  words: ['battery', 'old', 'flat', 'empty', 'charge', 'age', 'low'],
  where: 'everywhere',
  lingers: true,
  params: [
    { id: 'left', label: 'Charge left', unit: '', default: 0.1, min: 0, max: 1 },
    { id: 'lasts', label: 'Within', unit: 's', default: 30, min: 0.1, max: 1e7 },
  ],
  lasts: ({ params }) => params.lasts,
  contributes: {
    charge: ({ params, t }) =>
      t < 0 ? undefined : 1 - (1 - params.left) * Math.min(1, t / params.lasts),
  },
  source: 'A straight line in time (own convention).',
});
