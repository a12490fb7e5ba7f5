import { defineHappening } from '../define-happening.js';
import { trapezoid } from '../course.js';
import { sightOf } from '../sight.js';
import { pressureAt } from '../../quantity/index.js';
import { decay } from '../course.js';

const gravity = 9.80665;
/** Half a shoe, m. */
const foot = 0.15;

export const footstep = defineHappening({
  kind: 'footstep',
  label: 'Someone steps on it',
  summary: 'A weight comes down on a mat, stays and leaves again.',
  words: ['mat', 'step', 'stand', 'sit', 'seat', 'weight', 'pressure', 'load'],
  where: 'point',
  params: [
    { id: 'mass', label: 'Weight', unit: 'kg', default: 70, min: 0.05, max: 500 },
    { id: 'rise', label: 'Comes down in', unit: 's', default: 0.15, min: 0.001, max: 10 },
    { id: 'stays', label: 'Stays', unit: 's', default: 0.6, min: 0, max: 86400 },
  ],
  lasts: ({ params }) => 2 * params.rise + params.stays,
  contributes: {
    force: ({ params, t, at }, receiver) =>
      sightOf(receiver.place, at).distance <= receiver.radius + foot
        ? params.mass * gravity * trapezoid(t, params.rise, params.stays, params.rise)
        : undefined,
    vibration: ({ params, t, at }, receiver) =>
      (0.001 * params.mass * decay(t - params.rise, 0.05)) /
      Math.max(1, sightOf(receiver.place, at).distance),
    sound: ({ params, t, at }, receiver) =>
      pressureAt(45, sightOf(receiver.place, at).distance) * decay(t - params.rise, 0.08),
  },
  source:
    'Weight m·g as a trapezoid; a step shakes the floor about 0.07 m/s² at 1 m and sounds 45 dB (from memory).',
});
