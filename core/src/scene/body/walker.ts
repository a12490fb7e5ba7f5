import { defineHappening } from '../define-happening.js';
import type { HappeningKind, Moment } from '../happening-kind.js';
import { alongPath, pathLength, type OnPath } from '../path.js';
import { plainBody, skinInHeat, type Body } from './body.js';

/** What goes along a way has a speed, m/s. */
interface OnWay {
  speed: number;
}

/** How long a way at a speed takes, s. */
export const lastsOnWay = ({ path, params }: Omit<Moment<OnWay>, 't'>): number =>
  pathLength(path) / params.speed;

type Solid = Omit<Body, 'x' | 'y' | 'heading' | 'speed'>;

/** A body where it is on its way; undefined before it starts and after it has arrived. */
export function goesAlong({ path, params, t }: Moment<OnWay>, body: Solid): Body | undefined {
  const at = alongPath(path, params.speed * t);
  return at && placed(body, at, params.speed);
}

/** Field by field: asked for at every moment of a rehearsal, and fields added to what is spread take a hundred times as long. */
const placed = (
  { width, height, bottom, excess, skin, reflectance, echo, mass, footfall, loudness }: Solid,
  { x, y, heading }: OnPath,
  speed: number,
): Body => ({
  x,
  y,
  heading,
  speed,
  width,
  height,
  bottom,
  excess,
  skin,
  reflectance,
  echo,
  mass,
  footfall,
  loudness,
});

interface Walker
  extends
    Pick<HappeningKind, 'kind' | 'label' | 'summary' | 'words' | 'usually' | 'danger' | 'source'>,
    Pick<Body, 'width' | 'height' | 'excess' | 'mass' | 'echo' | 'footfall' | 'loudness'> {
  speed: number;
  usual: readonly [number, number];
}

/** A kind of happening in which someone or some animal goes along a way. */
export function walker(about: Walker) {
  const { kind, label, summary, words, usually, danger, source, speed, usual } = about;
  return defineHappening({
    kind,
    label,
    summary,
    words,
    usually,
    danger,
    where: 'path',
    passes: 2,
    params: [
      { id: 'speed', label: 'Speed', unit: 'm/s', default: speed, min: 0.01, max: 15, usual },
      { id: 'width', label: 'Width', unit: 'm', default: about.width, min: 0.02, max: 3 },
      { id: 'height', label: 'Height', unit: 'm', default: about.height, min: 0.02, max: 3 },
      {
        id: 'excess',
        label: 'Surface warmer than air of 20 °C',
        unit: 'K',
        default: about.excess,
        min: -20,
        max: 40,
      },
      { id: 'mass', label: 'Weight', unit: 'kg', default: about.mass, min: 0.01, max: 500 },
    ],
    lasts: lastsOnWay,
    body: (now) => {
      const { width, height, excess, mass } = now.params;
      const { echo, footfall, loudness } = about;
      const { reflectance } = plainBody;
      const skin = skinInHeat;
      const warm = { width, height, excess, skin, reflectance, mass, echo, footfall, loudness };
      return goesAlong(now, warm);
    },
    source,
  });
}
