import { defineHappening } from '../define-happening.js';
import { during } from '../course.js';

export const partComesOff = defineHappening({
  kind: 'part-comes-off',
  label: 'A part burns out or comes off',
  summary:
    'A lamp burns out, a plug is pulled, a battery is taken out: none of its terminals is joined to anything.',
  words: ['burn', 'burnt', 'out', 'dead', 'plug', 'pulled', 'fails', 'off', 'lamp', 'remove'],
  where: 'everywhere',
  lingers: true,
  aims: 'part',
  breaks: 'open',
  params: [{ id: 'stays', label: 'Stays off', unit: 's', default: 1e6, min: 0.001, max: 1e6 }],
  lasts: ({ params }) => params.stays,
  alters: ({ params, t }) => ({ open: during(t, params.stays) }),
  steady: ({ params }) => [0, params.stays],
  source: 'Every terminal open (own convention).',
});
