import { radians } from '../../quantity/index.js';
import { choice } from '../../catalog/index.js';
import { defineHappening } from '../define-happening.js';
import { discMagnetField } from '../disc-magnet.js';
import { lastsOnWay } from '../body/walker.js';
import { alongPath } from '../path.js';
import { sightOf } from '../sight.js';

export const magnetApproaches = defineHappening({
  kind: 'magnet-approaches',
  label: 'A magnet goes by',
  summary: 'A disc magnet moves along a way, its north or south pole towards the sensor.',
  words: ['magnet', 'pole', 'hall', 'reed', 'chess', 'wheel', 'turn'],
  where: 'path',
  passes: 0.01,
  params: [
    { id: 'speed', label: 'Speed', unit: 'm/s', default: 0.1, min: 1e-4, max: 100 },
    choice('pole', 'Pole towards the sensor', ['south', 'north'], 'south'),
    { id: 'remanence', label: 'Remanence', unit: 'T', default: 1.2, min: 0.05, max: 1.5 },
    { id: 'diameter', label: 'Diameter', unit: 'm', default: 0.01, min: 0.001, max: 0.2 },
    { id: 'thickness', label: 'Thickness', unit: 'm', default: 0.005, min: 0.0005, max: 0.1 },
  ],
  lasts: lastsOnWay,
  contributes: {
    field: ({ params, path, t }, receiver) => {
      const at = alongPath(path, params.speed * t);
      if (!at) return undefined;
      const { distance, angle } = sightOf(receiver.place, at);
      const { remanence, diameter, thickness } = params;
      const onAxis = discMagnetField(remanence, diameter / 2, thickness, distance);
      const sign = params.pole === 'south' ? 1 : -1;
      return sign * onAxis * Math.cos(radians(angle));
    },
  },
  cautions: [
    'Strong magnets pinch, and they upset pacemakers: keep them away from people who wear one.',
  ],
  source:
    'Axial field of a disc magnet (closed form), its pole kept towards the sensor; off the axis by the cosine, an approximation. South counts as positive (own convention). Neodymium about 1.2 T (from memory).',
});
