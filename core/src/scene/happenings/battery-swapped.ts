import { defineHappening } from '../define-happening.js';
import { during } from '../course.js';

export const batterySwapped = defineHappening({
  kind: 'battery-swapped',
  label: 'The battery is changed',
  summary: 'The old one is taken out, and after a moment another one stands in its place.',
  words: ['battery', 'swap', 'change', 'replace', 'fresh', 'power', 'supply'],
  where: 'everywhere',
  lingers: true,
  aims: 'part',
  suits: ({ store }) => store !== undefined,
  breaks: 'open',
  params: [
    { id: 'takes', label: 'Takes', unit: 's', default: 20, min: 0.01, max: 86400 },
    { id: 'charge', label: 'Share of its charge', unit: '', default: 1, min: 0, max: 1 },
  ],
  lasts: ({ params }) => params.takes,
  alters: ({ params, t }) => ({
    open: during(t, params.takes),
    ...(t > params.takes ? { renewed: params.charge } : {}),
  }),
  steady: ({ params }) => [0, params.takes],
  source: 'Every terminal open for so long; then the charge that is given (own convention).',
});
