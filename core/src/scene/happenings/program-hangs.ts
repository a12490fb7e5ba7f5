import { defineHappening } from '../define-happening.js';

export const programHangs = defineHappening({
  kind: 'program-hangs',
  label: 'The program hangs',
  summary: 'The controller stops taking readings and deciding, until the watchdog resets it.',
  words: ['crash', 'hang', 'freeze', 'watchdog', 'stuck', 'interference', 'reset'],
  where: 'everywhere',
  params: [{ id: 'lasts', label: 'Lasts', unit: 's', default: 600, min: 0.001, max: 864000 }],
  lasts: ({ params }) => params.lasts,
  hangs: true,
  source:
    'Outputs stay as they were and nothing is read (own convention): a fault in a program, or interference, has no model.',
});
