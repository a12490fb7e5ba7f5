import { defineHappening } from '../define-happening.js';
import { goesAlong, lastsOnWay } from '../body/walker.js';
import { plainBody } from '../body/body.js';
import { angularResponse } from '../angular-response.js';
import { alongPath } from '../path.js';
import { coneResponse, sightOf } from '../sight.js';
import type { Moment, Receiver } from '../happening-kind.js';

/** Infrared of 800–1000 nm per luminous intensity of a halogen filament, W/sr per cd (from memory). */
const infraredPerCandela = 0.008;

/** Luminous intensity towards a receiver over the square of the distance, through its cone, lx. */
function lux(
  { params, path, t }: Moment<Record<'speed' | 'candela', number>>,
  receiver: Receiver,
): number {
  const at = alongPath(path, params.speed * t);
  if (!at) return 0;
  const leaving = sightOf({ ...at, facing: at.heading }, receiver.place);
  const arriving = sightOf(receiver.place, at);
  return (
    (params.candela *
      angularResponse(leaving.angle, 10) *
      coneResponse(arriving, receiver.halfAngle)) /
    arriving.distance ** 2
  );
}

export const headlights = defineHappening({
  kind: 'headlights',
  label: 'Car headlights sweep by',
  summary: 'A car drives along a way with its beams ahead: light, infrared, warmth, echo, noise.',
  words: ['car', 'vehicle', 'lamp', 'light', 'road', 'nuisance'],
  usually: 'nuisance',
  only: { by: 'night' },
  where: 'path',
  passes: 5,
  params: [
    { id: 'speed', label: 'Speed', unit: 'm/s', default: 8, min: 0.1, max: 60 },
    {
      id: 'candela',
      label: 'Intensity of both lamps',
      unit: 'cd',
      default: 20e3,
      min: 10,
      max: 200e3,
    },
  ],
  lasts: lastsOnWay,
  body: (now) =>
    goesAlong(now, {
      width: 1.8,
      ...plainBody,
      height: 1.4,
      excess: 10,
      echo: 10,
      mass: 1300,
      footfall: 0.1,
      loudness: 75,
    }),
  contributes: {
    light: lux,
    infrared: (now, receiver) => infraredPerCandela * lux(now, receiver),
  },
  source:
    'Two dipped beams of about 10 kcd, half-angle 10°; bonnet 10 K over the air (from memory).',
});
