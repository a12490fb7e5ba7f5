import { kindOf, paramsOf } from '../catalog/index.js';
import type { Design, Part, Spot } from '../design/index.js';
import {
  leavesBetween,
  leavesLoss,
  materialsBetween,
  nothingPasses,
  radioLoss,
} from '../scene/index.js';

const lightSpeed = 299_792_458;
/** What a wall of unknown material takes: as brick. */
const usualWall = 'brick';
/** Margin that is wanted over the faintest, dB: people, leaves and rain come and go (common practice, from memory). */
export const wantedMargin = 20;

/** What of a radio part's signal arrives at a spot. */
export interface RadioReach {
  /** m; at least one wavelength: nearer it is no far field. */
  distance: number;
  /** Lost in free space, in walls, and in leaves, dB. */
  free: number;
  walls: number;
  leaves: number;
  /** Over the faintest that its fellow receives, dB. */
  margin: number;
  /** Radius of the first Fresnel zone half-way, m: what stands in it takes from the signal. */
  fresnel: number;
}

/**
 * Loss between two points in free space, dB: 20·lg(4πd/λ) (ITU-R P.525).
 *
 * @example freeSpaceLoss(1000, 433.92e6) // 85.2
 */
export const freeSpaceLoss = (metres: number, hertz: number): number =>
  20 * Math.log10((4 * Math.PI * metres * hertz) / lightSpeed);

/**
 * Radius of a Fresnel zone, m: √(n·λ·d₁·d₂/(d₁ + d₂)) (ITU-R P.526).
 *
 * @param a from one end, and b from the other, m
 */
export const fresnelRadius = (a: number, b: number, hertz: number, zone = 1): number =>
  Math.sqrt((zone * (lightSpeed / hertz) * a * b) / (a + b));

/** What arrives at a spot of a part that stands on the plan; undefined for one that does not, or sends nothing. */
export function radioReach({ plan }: Design, part: Part, spot: Spot): RadioReach | undefined {
  const { place } = part;
  const radio = kindOf(part).radio?.(paramsOf(part));
  if (!place || !radio) return undefined;
  const { carrier, power, faintest } = radio;
  const far = Math.hypot(spot.at.x - place.x, spot.at.y - place.y);
  const distance = Math.max(far, lightSpeed / carrier);
  const walls = materialsBetween(plan, place, spot.at).reduce(
    (sum, of) =>
      Math.min(nothingPasses, sum + radioLoss(of === 'unknown' ? usualWall : of, carrier)),
    0,
  );
  const leaves = leavesLoss(leavesBetween(plan, place, spot.at), carrier);
  const free = freeSpaceLoss(distance, carrier);
  return {
    ...{ distance, free, walls, leaves },
    margin: 10 * Math.log10(power / faintest) - free - walls - leaves,
    fresnel: fresnelRadius(distance / 2, distance / 2, carrier),
  };
}
