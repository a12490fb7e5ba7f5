import { defineHappening } from '../define-happening.js';
import { during } from '../course.js';
import type { Moment, Receiver } from '../happening-kind.js';
import { coneResponse, sightOf } from '../sight.js';

/** Radiant power of a flame per area of its front, W/m², and what of it lies in 800–1000 nm (from memory). */
const exitance = 30e3;
const nearInfraredShare = 0.02;
/** Luminous flux per area of its front: a candle of 1 × 3 cm gives 12 lm (from memory), lm/m². */
const luminous = 12 / 3e-4;

/** Flicker between 1 and 15 Hz, strongest near 10 Hz for small flames: two sines without a common measure. */
const flicker = (t: number): number =>
  1 + 0.2 * Math.sin(2 * Math.PI * 9.3 * t) + 0.15 * Math.sin(2 * Math.PI * 3.7 * t);

/** A point source that sends its power all around, through the receiver’s cone: P/(4π·d²). */
function seen(
  { params, t, at }: Moment<Record<'lasts' | 'height', number>>,
  receiver: Receiver,
  perArea: number,
): number | undefined {
  if (!during(t, params.lasts)) return undefined;
  const sight = sightOf(receiver.place, at);
  const area = params.height ** 2 / 3;
  return (
    (perArea * area * flicker(t) * coneResponse(sight, receiver.halfAngle)) /
    (4 * Math.PI * sight.distance ** 2)
  );
}

export const flame = defineHappening({
  kind: 'flame',
  label: 'A flame burns',
  summary: 'A flame of some height at a place: flickering infrared and light, warmth from nearby.',
  words: ['fire', 'flame', 'candle', 'lighter', 'burn', 'match'],
  danger: 'fire',
  where: 'point',
  passes: 1,
  params: [
    { id: 'height', label: 'Height of the flame', unit: 'm', default: 0.1, min: 0.005, max: 3 },
    { id: 'lasts', label: 'Lasts', unit: 's', default: 10, min: 0.1, max: 86400 },
  ],
  lasts: ({ params }) => params.lasts,
  contributes: {
    infrared: (now, receiver) => seen(now, receiver, exitance * nearInfraredShare),
    light: (now, receiver) => seen(now, receiver, luminous),
    heat: (now, receiver) => seen(now, receiver, 0.35 * exitance),
  },
  cautions: [
    'Test with a candle, someone beside it and an extinguisher at hand; never with anything larger.',
  ],
  source:
    'Point source, inverse square; front a third of height squared, 30 kW/m², 2 % of it at 800–1000 nm, flicker 1–15 Hz, candle 12 lm (from memory).',
});
