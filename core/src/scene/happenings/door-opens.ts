import { defineHappening } from '../define-happening.js';
import { trapezoid } from '../course.js';
import type { Moment } from '../happening-kind.js';
import { sightOf } from '../sight.js';

/** A contact or a sensor that sits on the door, not nearer to another, m. */
const atDoor = 1;

const opened = ({ params, t }: Moment<Record<'moves' | 'stays', number>>): number =>
  trapezoid(t, params.moves, params.stays, params.moves);

export const doorOpens = defineHappening({
  kind: 'door-opens',
  label: 'A door or gate opens',
  summary: 'It swings open, stays so and closes again: contacts part, what sits on it turns.',
  words: ['door', 'gate', 'window', 'hatch', 'lid', 'drawer', 'open', 'swing'],
  danger: 'intruder',
  where: 'point',
  params: [
    { id: 'angle', label: 'Opens by', unit: '°', default: 70, min: 0.5, max: 180 },
    { id: 'width', label: 'Hinge to edge', unit: 'm', default: 0.8, min: 0.05, max: 10 },
    { id: 'moves', label: 'Opens and closes in', unit: 's', default: 1.5, min: 0.05, max: 120 },
    { id: 'stays', label: 'Stays open', unit: 's', default: 5, min: 0, max: 86400 },
    { id: 'slam', label: 'Slams with, at 1 m', unit: 'm/s²', default: 1, min: 0, max: 100 },
  ],
  lasts: ({ params }) => 2 * params.moves + params.stays + 0.5,
  contributes: {
    // The chord that the edge has moved from its frame.
    gap: (now, receiver) =>
      sightOf(receiver.place, now.at).distance <= atDoor
        ? 2 * now.params.width * Math.sin((now.params.angle * opened(now) * Math.PI) / 360)
        : undefined,
    heading: (now, receiver) =>
      sightOf(receiver.place, now.at).distance <= atDoor
        ? now.params.angle * opened(now)
        : undefined,
    vibration: ({ params, t, at }, receiver) => {
      const since = t - 2 * params.moves - params.stays;
      const shake = since >= 0 && since < 0.5 ? Math.exp(-since / 0.05) : 0;
      return (params.slam * shake) / Math.max(1, sightOf(receiver.place, at).distance);
    },
  },
  source:
    'Chord of the swing 2·w·sin(α/2) (closed form); a slam shakes the frame about 1 m/s² at 1 m (from memory).',
});
