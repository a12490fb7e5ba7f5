import { radians } from '../../quantity/index.js';
import { during } from '../course.js';
import { defineHappening } from '../define-happening.js';
import type { HappeningKind } from '../happening-kind.js';
import { plainBody, type Body } from './body.js';

interface Swinger
  extends
    Pick<HappeningKind, 'kind' | 'label' | 'summary' | 'words' | 'only' | 'source'>,
    Pick<Body, 'width' | 'height' | 'excess' | 'echo'> {
  /** To either side, m. */
  swing: number;
  /** To and fro, s. */
  period: number;
}

/** A kind of happening in which something hangs in a place and swings to and fro. */
export function swinger({ width, height, excess, echo, swing, period, ...about }: Swinger) {
  return defineHappening({
    ...about,
    usually: 'nuisance',
    where: 'point',
    passes: 2,
    params: [
      { id: 'width', label: 'Width', unit: 'm', default: width, min: 0.01, max: 5 },
      { id: 'height', label: 'Height', unit: 'm', default: height, min: 0.01, max: 5 },
      { id: 'swing', label: 'Swings by, ±', unit: 'm', default: swing, min: 0.005, max: 2 },
      { id: 'period', label: 'To and fro in', unit: 's', default: period, min: 0.2, max: 60 },
      {
        id: 'across',
        label: 'Direction it swings in',
        unit: '°',
        default: 90,
        min: -360,
        max: 360,
      },
      {
        id: 'excess',
        label: 'Surface warmer than surroundings',
        unit: 'K',
        default: excess,
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
        x: at.x + off * Math.cos(way),
        y: at.y + off * Math.sin(way),
        heading: params.across + (speed < 0 ? 180 : 0),
        speed: Math.abs(speed),
        width: params.width,
        bottom: at.z,
        ...plainBody,
        height: params.height,
        excess: params.excess,
        reflectance: 0.5,
        echo,
      };
    },
  });
}
