import { defineHappening } from '../define-happening.js';
import { during } from '../course.js';

export const partShorted = defineHappening({
  kind: 'part-shorted',
  label: 'A part is bridged',
  summary:
    'Something joins all terminals of a part: a loop is shorted, a drop of solder, a bared wire.',
  words: ['short', 'bridge', 'loop', 'sabotage', 'tamper', 'solder', 'bypass'],
  where: 'everywhere',
  lingers: true,
  aims: 'part',
  breaks: 'across',
  params: [{ id: 'stays', label: 'Stays', unit: 's', default: 1e6, min: 0.001, max: 1e6 }],
  lasts: ({ params }) => params.stays,
  alters: ({ params, t }) => ({ bridged: during(t, params.stays) }),
  steady: ({ params }) => [0, params.stays],
  cautions: ['To bridge a supply or a battery for real burns wires and skin.'],
  source: 'A thousandth of an ohm from the first terminal to each other (own convention).',
});
