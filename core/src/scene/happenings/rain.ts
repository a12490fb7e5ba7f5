import { defineHappening } from '../define-happening.js';

export const rain = defineHappening({
  kind: 'rain',
  label: 'It rains',
  summary: 'Drops wet a pad little by little; afterwards it dries.',
  words: ['rain', 'drop', 'wet', 'leak', 'drip', 'weather', 'water'],
  only: { outdoors: true },
  where: 'everywhere',
  lingers: true,
  params: [
    {
      id: 'rate',
      label: 'Rain per hour, as depth',
      unit: 'm',
      default: 0.002,
      min: 1e-5,
      max: 0.3,
    },
    { id: 'lasts', label: 'Rains for', unit: 's', default: 600, min: 1, max: 864000 },
    { id: 'dries', label: 'Dries in', unit: 's', default: 900, min: 1, max: 864000 },
  ],
  lasts: ({ params }) => params.lasts + 3 * params.dries,
  contributes: {
    // Drops of 2 mm leave spots of 6 mm: so many a second on a square metre, each covering so much.
    wet: ({ params, t }) => {
      if (t < 0) return undefined;
      const drop = (Math.PI / 6) * 0.002 ** 3;
      const spot = (Math.PI / 4) * 0.006 ** 2;
      const perSecond = (params.rate / 3600 / drop) * spot;
      const wetted = -Math.expm1(-perSecond * Math.min(t, params.lasts));
      return wetted * Math.exp(-Math.max(0, t - params.lasts) / params.dries);
    },
  },
  source:
    'Random drops cover 1 − exp(−n·a) of a surface (Poisson); drops of 2 mm, spots of 6 mm, exponential drying (from memory).',
});
