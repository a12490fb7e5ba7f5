import type { Place, RaisedPoint } from '../design/index.js';
import { radians } from '../quantity/index.js';
import { wallKinds } from './materials.js';
import { crosses, leavesBetween, metOf, type Obstacles } from './obstacles.js';
import type { SunPosition } from './sky.js';

/** The sun is looked for so far away, m. */
const far = 2e4;

/** Direction of the sun on a plan, degrees anticlockwise from its right. */
export const sunBearing = (azimuth: number, north = 0): number => 90 - azimuth - north;

/**
 * Share of the light that comes straight from the sun and gets past walls and trees to a place. Only what tells its height stands in
 * the way, and only of a place that tells its own: where nobody knows, the sun may come.
 *
 * @returns 1 for nothing in the way, less through panes, 0 in shade
 */
export function sunPasses(
  plan: Obstacles & { north?: number },
  place: Place,
  { elevation, azimuth }: SunPosition,
): number {
  const { x, y, z } = place;
  if (z === undefined) return 1;
  const bearing = radians(sunBearing(azimuth, plan.north));
  const sun: RaisedPoint = {
    x: x + far * Math.cos(bearing),
    y: y + far * Math.sin(bearing),
    z: z + far * Math.tan(radians(elevation)),
  };
  if (leavesBetween(plan, place, sun) > 0) return 0;
  return plan.walls.reduce((share, wall) => {
    if (wall.height === undefined || !crosses(wall, place, sun)) return share;
    const material = metOf(wall, place, sun);
    if (!material) return share;
    return material === 'unknown' ? 0 : share * wallKinds[material].light;
  }, 1);
}
