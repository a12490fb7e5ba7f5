import { defineHappening } from '../define-happening.js';
import { during } from '../course.js';

export const soilDries = defineHappening({
  kind: 'soil-dries',
  label: 'Soil dries out, or is watered',
  summary: 'The water in the soil changes by a share of its volume over a time.',
  words: ['soil', 'plant', 'pot', 'dry', 'water', 'garden', 'moisture'],
  where: 'everywhere',
  lingers: true,
  params: [
    { id: 'change', label: 'Changes by, of volume', unit: '', default: -0.12, min: -0.6, max: 0.6 },
    { id: 'lasts', label: 'Within', unit: 's', default: 600, min: 1, max: 1e7 },
  ],
  lasts: ({ params }) => params.lasts,
  contributes: {
    moisture: ({ params, t }) =>
      during(t, params.lasts)
        ? (params.change * t) / params.lasts
        : t > params.lasts
          ? params.change
          : undefined,
  },
  source: 'A straight line in time; loam holds 0.35 at most and wilts plants at 0.1 (from memory).',
});
