import { defineHappening } from '../define-happening.js';
import { plainBody } from '../body/body.js';
import { goesAlong, lastsOnWay } from '../body/walker.js';

export const crossing = defineHappening({
  kind: 'crossing',
  label: 'Something crosses',
  summary:
    'A thing of some width goes along a way and casts a shadow; it is neither warm nor heavy.',
  words: ['beam', 'bird', 'ball', 'leaf', 'shadow', 'break', 'gull'],
  where: 'path',
  params: [
    {
      id: 'speed',
      label: 'Speed',
      unit: 'm/s',
      default: 1.3,
      min: 0.01,
      max: 100,
      usual: [0.05, 30],
    },
    { id: 'width', label: 'Width', unit: 'm', default: 0.4, min: 0.005, max: 10 },
  ],
  lasts: lastsOnWay,
  body: (now) => goesAlong(now, { width: now.params.width, ...plainBody }),
  source: 'Opaque disc in plan view; walking speed 1.2–1.4 m/s (common practice).',
});
