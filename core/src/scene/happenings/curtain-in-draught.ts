import { radians } from '../../quantity/index.js';
import { defineHappening } from '../define-happening.js';
import { plainBody } from '../body/body.js';
import { during } from '../course.js';

export const curtainInDraught = defineHappening({
  kind: 'curtain-in-draught',
  label: 'A curtain moves in the draught',
  summary: 'Cloth, a branch or a flag swings to and fro at a place.',
  words: ['curtain', 'draught', 'wind', 'branch', 'leaf', 'flag', 'sail', 'nuisance'],
  usually: 'nuisance',
  only: { outdoors: false },
  where: 'point',
  passes: 2,
  params: [
    { id: 'width', label: 'Width', unit: 'm', default: 0.8, min: 0.01, max: 5 },
    { id: 'height', label: 'Height', unit: 'm', default: 1.5, min: 0.01, max: 5 },
    { id: 'swing', label: 'Swings by, ±', unit: 'm', default: 0.15, min: 0.005, max: 2 },
    { id: 'period', label: 'To and fro in', unit: 's', default: 3, min: 0.2, max: 60 },
    { id: 'across', label: 'Direction it swings in', unit: '°', default: 90, min: -360, max: 360 },
    {
      id: 'excess',
      label: 'Surface warmer than surroundings',
      unit: 'K',
      default: 1.5,
      min: -20,
      max: 40,
    },
    { id: 'lasts', label: 'Lasts', unit: 's', default: 20, min: 0.1, max: 86400 },
  ],
  lasts: ({ params }) => params.lasts,
  body: ({ params, t, at }) => {
    if (!during(t, params.lasts)) return undefined;
    const phase = (2 * Math.PI * t) / params.period;
    const way = radians(params.across);
    const off = params.swing * Math.sin(phase);
    const speed = ((2 * Math.PI * params.swing) / params.period) * Math.cos(phase);
    return {
      ...plainBody,
      x: at.x + off * Math.cos(way),
      y: at.y + off * Math.sin(way),
      heading: params.across + (speed < 0 ? 180 : 0),
      speed: Math.abs(speed),
      width: params.width,
      height: params.height,
      excess: params.excess,
      reflectance: 0.5,
      echo: 0.01,
    };
  },
  source: 'Harmonic swing; warmed by a radiator or the sun by a kelvin or two (from memory).',
});
