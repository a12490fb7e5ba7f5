import type { Design, Place, Point, Scene } from '../design/index.js';
import { radians } from '../quantity/index.js';
import { anywhere, type Thing } from './presence.js';
import { watchersOf, type TripPoint } from './watchers.js';

/** Sensors around a point, looking outwards, that notice something in all directions. */
export interface Ring {
  /** How many it takes. */
  count: number;
  /** Each notices so far to either side of where it looks at that distance, degrees. */
  half: number;
  /** Two neighbours both notice what is within so many degrees between them, and so wide there, m. */
  overlap: number;
  overlapWidth: number;
  /** Where they stand: the first as the sensor looks now. */
  places: Place[];
}

/** More are not put in a ring. */
export const mostInRing = 72;
/** To so many degrees it is told how far to the side a sensor notices. */
const fine = 1e-6;

/**
 * How many of a sensor around a point notice something in all directions as far away as it is said: each notices ±θ at that
 * distance, read off the solved circuit and its cone, so ⌈180°/θ⌉ of them close the ring. Walls are left out.
 *
 * @param part id of a sensor that stands somewhere
 * @param distance m
 * @param points of the design, where they are known already
 * @returns undefined where even straight ahead it does not notice it so far away, or that is at no place
 */
export function ringOf(
  design: Design,
  scene: Scene,
  thing: Thing,
  part: string,
  center: Point,
  distance: number,
  points?: readonly TripPoint[],
): Ring | undefined {
  const open = { ...design, plan: { ...design.plan, walls: [], trees: [] } };
  const watchers = watchersOf(open, scene, points).filter((w) => w.part === part);
  const there = anywhere(thing);
  const stands: Place = { ...(watchers[0]?.place ?? { facing: 0 }), x: center.x, y: center.y };
  const ahead = watchers.map((w) => w.at({ ...stands, facing: 0 }));
  if (!there) return undefined;
  const notices = (angle: number): boolean => {
    const at = {
      x: center.x + distance * Math.cos(radians(angle)),
      y: center.y + distance * Math.sin(radians(angle)),
    };
    // What comes straight at it is felt least of all that goes.
    return ahead.some((w) => w.notices(there.looks(at, angle + 180)));
  };
  if (!notices(0)) return undefined;
  const half = edgeOfSight(notices);
  const count = half < 180 ? Math.ceil(180 / (half + fine)) : 1;
  if (count > mostInRing) return undefined;
  const overlap = Math.min(360, 2 * half) - 360 / count;
  return {
    ...{ count, half, overlap },
    overlapWidth: 2 * distance * Math.sin(radians(Math.min(180, overlap) / 2)),
    places: Array.from({ length: count }, (_, i) => ({
      ...stands,
      facing: turned(stands.facing + (360 * i) / count),
    })),
  };
}

/** How far to the side something is still noticed, degrees: from straight ahead outwards, where it first is not. */
function edgeOfSight(notices: (angle: number) => boolean): number {
  let [clear, blind] = [0, 180];
  for (let angle = 1; angle <= 180; angle++) {
    if (!notices(angle)) {
      blind = angle;
      break;
    }
    clear = angle;
  }
  if (clear === 180) return 180;
  while (blind - clear > fine) {
    const middle = (clear + blind) / 2;
    if (notices(middle)) clear = middle;
    else blind = middle;
  }
  return clear;
}

const turned = (degrees: number): number => {
  const whole = ((((degrees + 180) % 360) + 360) % 360) - 180;
  return Math.round(whole * 100) / 100;
};
