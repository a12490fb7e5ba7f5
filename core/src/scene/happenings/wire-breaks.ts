import { defineHappening } from '../define-happening.js';
import { during } from '../course.js';

export const wireBreaks = defineHappening({
  kind: 'wire-breaks',
  label: 'A wire is cut or works loose',
  summary: 'A wire no longer joins its two ends, for a while or for good.',
  words: ['cut', 'wire', 'loose', 'connector', 'break', 'sabotage', 'cable', 'tamper', 'joint'],
  where: 'everywhere',
  lingers: true,
  aims: 'wire',
  breaks: 'open',
  params: [
    { id: 'stays', label: 'Stays open', unit: 's', default: 1e6, min: 0.001, max: 1e6 },
    { id: 'shakes', label: 'Makes and breaks again', unit: 'Hz', default: 0, min: 0, max: 100 },
  ],
  lasts: ({ params }) => params.stays,
  alters: ({ params, t }) => ({
    open: during(t, params.stays) && (params.shakes === 0 || (t * params.shakes) % 1 < 0.5),
  }),
  steady: ({ params }) => [0, params.shakes === 0 ? params.stays : 0],
  source: 'Open or whole, half of the time each where it shakes (own convention).',
});
