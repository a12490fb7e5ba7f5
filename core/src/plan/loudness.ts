import { kindOf, paramsOf } from '../catalog/index.js';
import type { Design, Part, Spot } from '../design/index.js';
import { materialsBetween, nothingPasses, wallKinds } from '../scene/index.js';

/** Nobody is nearer to a sounder than this, m. */
const nearest = 0.1;
/** What a wall of unknown material takes: as boards, which take least. */
const usualWall = 'wood';
/** To be woken, or to be heard over all else, an alarm wants so much over the background, dB (common practice, from memory). */
export const wantedOver = 15;
/** By night this much is mostly allowed at a neighbour's window, dB(A) (common practice, from memory). */
export const quietEnough = 45;

/**
 * A-weighting, dB (IEC 61672-1, annex E).
 *
 * @example aWeighting(100) // -19.1
 */
export function aWeighting(hertz: number): number {
  const f2 = hertz ** 2;
  const response =
    (12194 ** 2 * f2 ** 2) /
    ((f2 + 20.598997 ** 2) *
      (f2 + 12194.217 ** 2) *
      Math.sqrt((f2 + 107.65265 ** 2) * (f2 + 737.86223 ** 2)));
  return 20 * Math.log10(response) + 2.0;
}

/** What is heard of a sounder at a spot. */
export interface Heard {
  distance: number;
  /** Weakened by walls, dB. */
  walls: number;
  /** dB(A), as at its rated voltage. */
  level: number;
  /** Over the background there, dB. */
  over: number;
}

/**
 * What is heard at a spot of a sounder that stands on the plan: what it gives at 1 m, weighted by its tone, less 20·lg d and what
 * the walls take. Rooms, which make it louder, are left out, and so is what goes around a wall.
 *
 * @returns undefined for what makes no sound of known loudness, or stands nowhere
 */
export function heardAt({ plan }: Design, part: Part, spot: Spot): Heard | undefined {
  const { place } = part;
  const rated = kindOf(part).emits?.level?.(paramsOf(part));
  if (!place || !rated) return undefined;
  const distance = Math.max(nearest, Math.hypot(spot.at.x - place.x, spot.at.y - place.y));
  const walls = materialsBetween(plan, place, spot.at).reduce(
    (sum, of) => Math.min(nothingPasses, sum + wallKinds[of === 'unknown' ? usualWall : of].sound),
    0,
  );
  const level = rated.decibels + aWeighting(rated.hertz) - 20 * Math.log10(distance) - walls;
  return { distance, walls, level, over: level - spot.background };
}
