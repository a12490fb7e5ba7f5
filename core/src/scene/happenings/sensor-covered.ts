import { defineHappening } from '../define-happening.js';
import { trapezoid } from '../course.js';
import { coverable } from '../coverable.js';

export const sensorCovered = defineHappening({
  kind: 'sensor-covered',
  label: 'A sensor is covered or gets dirty',
  summary:
    'Tape, dust, a web or a coat over it: only a share of what it sees or hears still comes through.',
  words: ['mask', 'cover', 'tape', 'dust', 'dirt', 'web', 'blind', 'sabotage', 'fog'],
  where: 'everywhere',
  lingers: true,
  aims: 'part',
  suits: ({ senses, emits }) =>
    emits !== undefined || (senses?.quantities.some((q) => coverable.has(q)) ?? false),
  params: [
    { id: 'left', label: 'Comes through', unit: '', default: 0, min: 0, max: 1 },
    { id: 'moves', label: 'Comes and goes in', unit: 's', default: 0.5, min: 0.01, max: 1e6 },
    { id: 'stays', label: 'Stays', unit: 's', default: 1e6, min: 0, max: 1e6 },
  ],
  lasts: ({ params }) => 2 * params.moves + params.stays,
  alters: ({ params, t }) => ({
    left: 1 - (1 - params.left) * trapezoid(t, params.moves, params.stays, params.moves),
  }),
  steady: ({ params }) => [params.moves, params.moves + params.stays],
  source:
    'A share of all that is seen or heard; to what measures distance a cover is the nearest thing (own convention).',
});
