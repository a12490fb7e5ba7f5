import { defineHappening } from '../define-happening.js';
import { trapezoid } from '../course.js';
import { sightOf } from '../sight.js';

export const tips = defineHappening({
  kind: 'tips',
  label: 'It is tilted or moved',
  summary: 'What the sensor sits on is lifted on one side and set down again.',
  words: ['tilt', 'lift', 'move', 'tamper', 'theft', 'overturn', 'list'],
  where: 'point',
  params: [
    { id: 'angle', label: 'Tilted by', unit: '°', default: 45, min: 0.5, max: 180 },
    { id: 'moves', label: 'Moves in', unit: 's', default: 1, min: 0.01, max: 600 },
    { id: 'stays', label: 'Stays so', unit: 's', default: 3, min: 0, max: 86400 },
  ],
  lasts: ({ params }) => 2 * params.moves + params.stays,
  contributes: {
    tilt: ({ params, t, at }, receiver) =>
      sightOf(receiver.place, at).distance <= 1
        ? params.angle * trapezoid(t, params.moves, params.stays, params.moves)
        : undefined,
  },
  source: 'Angle from upright in time (geometry).',
});
