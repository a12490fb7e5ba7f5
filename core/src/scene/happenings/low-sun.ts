import { defineHappening } from '../define-happening.js';
import { angleBetween, angularResponse } from '../angular-response.js';
import { swell } from '../course.js';
import type { Moment, Receiver } from '../happening-kind.js';

const through = (
  { params, t }: Moment<Record<'azimuth' | 'lasts', number>>,
  receiver: Receiver,
  peak: number,
): number => {
  const off = angleBetween(params.azimuth, receiver.place.facing);
  const cone = receiver.halfAngle === undefined ? 1 : angularResponse(off, receiver.halfAngle);
  return peak * swell(t, params.lasts) * cone;
};

export const lowSun = defineHappening({
  kind: 'low-sun',
  label: 'Low sun looks in',
  summary: 'Direct sunlight swells and fades from one direction, as through a gap in the clouds.',
  words: ['sun', 'sunset', 'dawn', 'glare', 'light', 'nuisance'],
  usually: 'nuisance',
  only: { by: 'day' },
  where: 'everywhere',
  params: [
    { id: 'azimuth', label: 'Direction of the sun', unit: '°', default: 0, min: -360, max: 360 },
    {
      id: 'irradiance',
      label: 'Infrared at its peak',
      unit: 'W/m²',
      default: 40,
      min: 0,
      max: 300,
    },
    { id: 'light', label: 'Light at its peak', unit: 'lx', default: 25e3, min: 0, max: 120e3 },
    { id: 'lasts', label: 'Lasts', unit: 's', default: 8, min: 0.1, max: 86400 },
  ],
  lasts: ({ params }) => params.lasts,
  contributes: {
    light: (now, receiver) => through(now, receiver, now.params.light),
    infrared: (now, receiver) => through(now, receiver, now.params.irradiance),
  },
  source:
    'Response of the receiving cone to parallel light; 800–1000 nm share of low sun from memory.',
});
