import { kindOf, paramsOf } from '../catalog/index.js';
import type { Design, Part, Place, Plan } from '../design/index.js';
import { radians } from '../quantity/index.js';
import { sunBearing, sunPasses, sunPosition, type SunPosition } from '../scene/index.js';

/** When the sun stands in what a sensor sees. */
export interface Glare {
  /** h in a year, and in each month. */
  hours: number;
  months: number[];
  /** In the month with most of it: from when to when at most, solar time, h. */
  worst?: { month: number; from: number; to: number };
}

/** Days before each month begins, of a year that is no leap year. */
const begins = [0, 31, 59, 90, 120, 151, 181, 212, 243, 273, 304, 334] as const;
/** The sun is looked at so often, h. */
const step = 1 / 6;

/** Quantities that the sun gives. */
const blinded: ReadonlySet<string> = new Set(['light', 'infrared', 'carrier']);

/**
 * When in a year the sun stands in a sensor's cone, above the horizon: angle between where the sun is and where the sensor looks
 * below its half-angle. Walls and trees that tell their height shade a sensor that tells its own, but for the panes in them. Clouds
 * are left out: it is when to look for them.
 *
 * @param latitude degrees north
 * @returns undefined for what stands nowhere, or does not see the sun
 */
export function sunGlare({ plan }: Design, part: Part, latitude: number): Glare | undefined {
  const { senses } = kindOf(part);
  const half = senses?.halfAngle?.(paramsOf(part));
  const { place } = part;
  if (!place || half === undefined || !senses?.quantities.some((q) => blinded.has(q)))
    return undefined;
  return glareIn(place, half, latitude, plan);
}

/**
 * The same of any cone.
 *
 * @param half degrees
 */
export function glareIn(
  place: Place,
  half: number,
  latitude: number,
  plan: Pick<Plan, 'walls' | 'trees' | 'north'> = { walls: [] },
): Glare {
  const least = Math.cos(radians(half));
  const months = begins.map(() => 0);
  const spans = begins.map(() => ({ from: 24, to: 0 }));
  for (let day = 1; day <= 365; day++) {
    const month = begins.findLastIndex((before) => before < day);
    for (let i = 0; i < 24 / step; i++) {
      const hour = (i + 0.5) * step;
      const sun = sunPosition({ latitude, day, hour });
      if (sun.elevation <= 0 || toward(place, sun, plan.north) < least) continue;
      if (sunPasses(plan, place, sun) === 0) continue;
      months[month] = (months[month] ?? 0) + step;
      const span = spans[month];
      if (span)
        Object.assign(span, { from: Math.min(span.from, hour), to: Math.max(span.to, hour) });
    }
  }
  const hours = months.reduce((a, b) => a + b, 0);
  const month = months.indexOf(Math.max(...months));
  const span = spans[month];
  return { hours, months, ...(hours > 0 && span ? { worst: { month, ...span } } : {}) };
}

/** Cosine of the angle between where something looks and the sun. */
function toward(
  { facing, tilt = 0 }: Place,
  { elevation, azimuth }: SunPosition,
  north?: number,
): number {
  const [up, down] = [radians(elevation), radians(tilt)];
  const aside = radians(sunBearing(azimuth, north) - facing);
  return Math.cos(up) * Math.cos(aside) * Math.cos(down) - Math.sin(up) * Math.sin(down);
}
