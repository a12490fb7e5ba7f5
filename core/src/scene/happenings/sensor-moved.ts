import { hasPlace } from '../../catalog/index.js';
import { defineHappening } from '../define-happening.js';
import { trapezoid } from '../course.js';

export const sensorMoved = defineHappening({
  kind: 'sensor-moved',
  label: 'A part is knocked out of place',
  summary: 'A sensor or a source no longer stands or looks where it did.',
  words: ['moved', 'turned', 'knocked', 'misaligned', 'aim', 'bump', 'wind', 'place'],
  where: 'everywhere',
  lingers: true,
  aims: 'part',
  suits: (kind) => hasPlace(kind) && !kind.radio,
  params: [
    { id: 'east', label: 'To the east', unit: 'm', default: 0, min: -1e4, max: 1e4 },
    { id: 'north', label: 'To the north', unit: 'm', default: 0, min: -1e4, max: 1e4 },
    { id: 'turns', label: 'Turns by', unit: '°', default: 30, min: -360, max: 360 },
    { id: 'moves', label: 'Moves in', unit: 's', default: 0.2, min: 0.01, max: 3600 },
    { id: 'stays', label: 'Until it is put back', unit: 's', default: 1e6, min: 0, max: 1e6 },
  ],
  lasts: ({ params }) => 2 * params.moves + params.stays,
  alters: ({ params, t }) => {
    const share = trapezoid(t, params.moves, params.stays, params.moves);
    return {
      shift: { x: share * params.east, y: share * params.north, turn: share * params.turns },
    };
  },
  steady: ({ params }) => [params.moves, params.moves + params.stays],
  source: 'A shift and a turn on the plan (own convention).',
});
