import { defineHappening } from '../define-happening.js';
import { trapezoid } from '../course.js';

export const supplyDips = defineHappening({
  kind: 'supply-dips',
  label: 'The supply dips',
  summary: 'The mains drops for a moment, as lightning or a starting motor makes it.',
  words: ['mains', 'dip', 'lightning', 'brown-out', 'power cut', 'supply', 'outage'],
  usually: 'nuisance',
  where: 'everywhere',
  params: [
    { id: 'left', label: 'Voltage left', unit: '', default: 0.4, min: 0, max: 1 },
    { id: 'lasts', label: 'Lasts', unit: 's', default: 0.5, min: 0.001, max: 864000 },
  ],
  lasts: ({ params }) => params.lasts + 0.02,
  contributes: {
    supply: ({ params, t }) => {
      const depth = trapezoid(t, 0.01, params.lasts, 0.01);
      return depth > 0 ? 1 - (1 - params.left) * depth : undefined;
    },
  },
  source:
    'Dips to 40 % and 0 % of mains are the usual test levels (IEC 61000-4-11); an adapter is taken to pass them on.',
});
