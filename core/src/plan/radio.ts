import { kindOf, paramsOf } from '../catalog/index.js';
import type { Design, Part, Plan, RaisedPoint, Spot, Wall } from '../design/index.js';
import {
  leavesBetween,
  leavesLoss,
  materialsBetween,
  nothingPasses,
  overWall,
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
  /** Lost in free space, in or over walls and hills, and in leaves, dB. */
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

/**
 * Lost over a knife edge, dB: J(v) = 6.9 + 20·lg(√((v − 0.1)² + 1) + v − 0.1), with v = h·√(2/λ·(1/d₁ + 1/d₂)) (ITU-R P.526-15,
 * equations 26 and 31); nothing below v = −0.78.
 *
 * @param above the line of sight, m; below 0 where that passes over it
 * @param a from one end, and b from the other, m
 * @example knifeEdgeLoss(0, 500, 500, 433.92e6) // 6.03
 */
export function knifeEdgeLoss(above: number, a: number, b: number, hertz: number): number {
  const v = above * Math.sqrt((2 * hertz * (1 / a + 1 / b)) / lightSpeed);
  if (v <= -0.78) return 0;
  return 6.9 + 20 * Math.log10(Math.hypot(v - 0.1, 1) + v - 0.1);
}

/** Lost at all walls between two points, dB: of one that tells its height, between two that do, through it or over it, whichever takes less. */
function wallsLoss(plan: Plan, from: RaisedPoint, to: RaisedPoint, hertz: number): number {
  const far = Math.hypot(to.x - from.x, to.y - from.y);
  const lossAt = (wall: Wall): number => {
    const through = materialsBetween({ walls: [wall] }, from, to).reduce(
      (sum, of) => sum + radioLoss(of === 'unknown' ? usualWall : of, hertz),
      0,
    );
    const top = overWall(wall, from, to);
    if (!top) return through;
    const over = knifeEdgeLoss(-top.clear, top.from, far - top.from, hertz);
    return top.clear > 0 ? over : Math.min(through, over);
  };
  return Math.min(
    nothingPasses,
    plan.walls.reduce((sum, wall) => sum + lossAt(wall), 0),
  );
}

/** What arrives at a spot of a part that stands on the plan; undefined for one that does not, or sends nothing. */
export function radioReach({ plan }: Design, part: Part, spot: Spot): RadioReach | undefined {
  const { place } = part;
  const radio = kindOf(part).radio?.(paramsOf(part));
  if (!place || !radio) return undefined;
  const { carrier, power, faintest } = radio;
  const far = Math.hypot(spot.at.x - place.x, spot.at.y - place.y);
  const distance = Math.max(far, lightSpeed / carrier);
  const walls = wallsLoss(plan, place, spot.at, carrier);
  const leaves = leavesLoss(leavesBetween(plan, place, spot.at), carrier);
  const free = freeSpaceLoss(distance, carrier);
  return {
    ...{ distance, free, walls, leaves },
    margin: 10 * Math.log10(power / faintest) - free - walls - leaves,
    fresnel: fresnelRadius(distance / 2, distance / 2, carrier),
  };
}
