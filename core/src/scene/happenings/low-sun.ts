import { angleBetween, angularResponse } from '../angular-response.js';
import type { HappeningKind } from '../happening-kind.js';

/** A bell from 0 through 1 back to 0 over the time it lasts: sin². */
const swell = (t: number, lasts: number): number =>
  t < 0 || t > lasts ? 0 : Math.sin((Math.PI * t) / lasts) ** 2;

export const lowSun: HappeningKind = {
  kind: 'low-sun',
  label: 'Low sun looks in',
  summary: 'Direct sunlight swells and fades from one direction, as through a gap in the clouds.',
  moves: false,
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
  lasts: (_happening, params) => params['lasts'],
  adds: (params, t, receiver) => {
    const peak = receiver.quantity === 'light' ? params['light'] : params['irradiance'];
    const off = angleBetween(params['azimuth'], receiver.place.facing);
    return peak * swell(t, params['lasts']) * angularResponse(off, receiver.halfAngle);
  },
  source:
    'Response of the receiving cone to parallel light; 800–1000 nm share of low sun from memory.',
};
