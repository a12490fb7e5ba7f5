import { defineHappening } from '../define-happening.js';
import { during } from '../course.js';
import { sightOf } from '../sight.js';
import { onIt } from './finger-touches.js';

export const keyPressed = defineHappening({
  kind: 'key-pressed',
  label: 'A key is pressed',
  summary: 'One key of a keypad is held down for a while.',
  words: ['keypad', 'code', 'digit', 'number', 'press'],
  where: 'point',
  params: [
    { id: 'key', label: 'Which key, by row', unit: '', default: 1, min: 1, max: 16, whole: true },
    { id: 'lasts', label: 'Lasts', unit: 's', default: 0.2, min: 0.01, max: 60 },
  ],
  lasts: ({ params }) => params.lasts,
  contributes: {
    key: ({ params, t, at }, receiver) =>
      sightOf(receiver.place, at).distance <= onIt + receiver.radius && during(t, params.lasts)
        ? params.key
        : undefined,
  },
  source: 'Keys count from 1 by rows (own convention); 0.2 s as a usual press (from memory).',
});
