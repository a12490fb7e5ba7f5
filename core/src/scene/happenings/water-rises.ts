import { defineHappening } from '../define-happening.js';

export const waterRises = defineHappening({
  kind: 'water-rises',
  label: 'Water rises and drains',
  summary: 'The level climbs, stays and falls again at given speeds.',
  words: ['water', 'level', 'flood', 'tank', 'sump', 'bilge', 'tide', 'leak', 'liquid'],
  where: 'everywhere',
  params: [
    { id: 'low', label: 'From', unit: 'm', default: 0, min: 0, max: 50 },
    { id: 'high', label: 'Up to', unit: 'm', default: 0.3, min: 0, max: 50 },
    { id: 'rises', label: 'Rises in', unit: 's', default: 120, min: 0.1, max: 864000 },
    { id: 'stays', label: 'Stays', unit: 's', default: 30, min: 0, max: 864000 },
    { id: 'drains', label: 'Drains in', unit: 's', default: 120, min: 0.1, max: 864000 },
  ],
  lasts: ({ params }) => params.rises + params.stays + params.drains,
  contributes: {
    water: ({ params, t }) => {
      const { low, high, rises, stays, drains } = params;
      if (t < 0 || t > rises + stays + drains) return undefined;
      if (t < rises) return low + ((high - low) * t) / rises;
      return low + (high - low) * Math.min(1, Math.max(0, 1 - (t - rises - stays) / drains));
    },
  },
  source: 'Straight lines in time (own convention).',
});
