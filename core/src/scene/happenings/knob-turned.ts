import { defineHappening } from '../define-happening.js';
import { trapezoid } from '../course.js';

export const knobTurned = defineHappening({
  kind: 'knob-turned',
  label: 'A knob is turned, a switch thrown',
  summary: 'Someone sets a value of a part: turns a trimmer, throws a switch, changes a setting.',
  words: ['knob', 'trimmer', 'switch', 'turn', 'set', 'adjust', 'key', 'arm', 'dial'],
  where: 'everywhere',
  lingers: true,
  aims: 'value',
  params: [
    { id: 'to', label: 'Set to', unit: '', default: 0, min: -1e12, max: 1e12 },
    { id: 'moves', label: 'Turned in', unit: 's', default: 0.5, min: 0.001, max: 3600 },
    { id: 'stays', label: 'Until it is set back', unit: 's', default: 1e6, min: 0, max: 1e6 },
  ],
  lasts: ({ params }) => 2 * params.moves + params.stays,
  alters: ({ params, t }) => ({
    value: { to: params.to, share: trapezoid(t, params.moves, params.stays, params.moves) },
  }),
  steady: ({ params }) => [params.moves, params.moves + params.stays],
  source:
    'In a straight line from its value to the other; what has only steps changes half-way (own convention).',
});
