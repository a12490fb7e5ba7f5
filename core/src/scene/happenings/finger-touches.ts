import { defineHappening } from '../define-happening.js';
import { during, trapezoid } from '../course.js';
import { sightOf } from '../sight.js';

/** What lies nearer to a pad or button than this is on it, m. */
export const onIt = 0.05;

export const fingerTouches = defineHappening({
  kind: 'finger-touches',
  label: 'A finger touches or presses',
  summary: 'A finger rests on a pad or presses a button or film for a while.',
  words: ['touch', 'press', 'button', 'finger', 'pad', 'tap', 'hold'],
  where: 'point',
  params: [
    { id: 'lasts', label: 'Lasts', unit: 's', default: 0.3, min: 0.005, max: 3600 },
    { id: 'force', label: 'Pressed with', unit: 'N', default: 3, min: 0, max: 500 },
    { id: 'farads', label: 'Capacitance added', unit: 'F', default: 15e-12, min: 0, max: 500e-12 },
  ],
  lasts: ({ params }) => params.lasts,
  contributes: {
    touch: ({ params, t, at }, receiver) =>
      sightOf(receiver.place, at).distance <= onIt + receiver.radius && during(t, params.lasts)
        ? params.farads
        : undefined,
    force: ({ params, t, at }, receiver) => {
      const edge = params.lasts / 10;
      return sightOf(receiver.place, at).distance <= onIt + receiver.radius
        ? params.force * trapezoid(t, edge, params.lasts - 2 * edge, edge)
        : undefined;
    },
  },
  source: 'A fingertip adds 5–30 pF through a thin cover; a tap presses 1–5 N (from memory).',
});
