import { defineHappening } from '../define-happening.js';
import { plainBody, skinInHeat } from '../body/body.js';
import { goesAlong, lastsOnWay } from '../body/walker.js';
import { alongPath } from '../path.js';
import { sightOf } from '../sight.js';

/** Permittivity of free space, F/m (CODATA 2022). */
const epsilon0 = 8.8541878188e-12;
const handArea = 0.01;

export const handNear = defineHappening({
  kind: 'hand-near',
  label: 'A hand comes near',
  summary: 'A hand, a board or a sheet of some colour moves along a way in front of a sensor.',
  words: ['hand', 'obstacle', 'paper', 'wave', 'near', 'proximity', 'gesture', 'cover'],
  where: 'path',
  passes: 0.05,
  params: [
    { id: 'speed', label: 'Speed', unit: 'm/s', default: 0.3, min: 0.001, max: 10 },
    { id: 'width', label: 'Width', unit: 'm', default: 0.09, min: 0.005, max: 2 },
    { id: 'height', label: 'Height', unit: 'm', default: 0.18, min: 0.005, max: 2 },
    {
      id: 'reflectance',
      label: 'Throws back, of infrared',
      unit: '',
      default: 0.6,
      min: 0.01,
      max: 1,
    },
    {
      id: 'excess',
      label: 'Surface warmer than air of 20 °C',
      unit: 'K',
      default: 10,
      min: -20,
      max: 40,
    },
  ],
  lasts: lastsOnWay,
  body: (now) => {
    const { width, height, reflectance, excess } = now.params;
    return goesAlong(now, {
      width,
      skin: skinInHeat,
      ...plainBody,
      height,
      reflectance,
      excess,
      echo: 0.01,
    });
  },
  contributes: {
    // A hand is a grounded plate beside the pad.
    touch: ({ path, params, t }, receiver) => {
      const at = alongPath(path, params.speed * t);
      if (!at) return undefined;
      const { distance } = sightOf(receiver.place, at);
      return (epsilon0 * Math.min(handArea, Math.PI * receiver.radius ** 2)) / distance;
    },
  },
  source:
    'Skin throws back about 0.6 near 900 nm, white paper 0.9, grey 0.2–0.5, black 0.05 (from memory); plate capacitor ε0·A/d (closed form).',
});
