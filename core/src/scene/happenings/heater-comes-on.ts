import { defineHappening } from '../define-happening.js';
import { during } from '../course.js';
import { coneResponse, sightOf } from '../sight.js';

export const heaterComesOn = defineHappening({
  kind: 'heater-comes-on',
  label: 'A heater comes on',
  summary: 'A heater sends out warmth at a place, which wavers as the hot air above it does.',
  words: ['heater', 'radiator', 'stove', 'fan heater', 'warm', 'nuisance'],
  usually: 'nuisance',
  only: { outdoors: false },
  where: 'point',
  passes: 2,
  params: [
    { id: 'watts', label: 'Power', unit: 'W', default: 1000, min: 1, max: 20e3 },
    { id: 'radiant', label: 'Of it sent out as warmth', unit: '', default: 0.3, min: 0, max: 1 },
    { id: 'wavers', label: 'Of that wavering', unit: '', default: 0.02, min: 0, max: 1 },
    { id: 'lasts', label: 'Lasts', unit: 's', default: 20, min: 0.1, max: 86400 },
  ],
  lasts: ({ params }) => params.lasts,
  contributes: {
    heat: ({ params, t, at }, receiver) => {
      if (!during(t, params.lasts)) return 0;
      const sight = sightOf(receiver.place, at);
      const sent = (params.watts * params.radiant) / (4 * Math.PI * sight.distance ** 2);
      return sent * params.wavers * coneResponse(sight, receiver.halfAngle);
    },
  },
  source:
    'Point source, inverse square; a third sent out as warmth, of which a fiftieth wavers (from memory).',
});
