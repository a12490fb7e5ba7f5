import { radians } from '../quantity/index.js';

/**
 * Relative response off the axis of a cone: cosⁿ of the angle, with n such that it is one half at the
 * half-angle. Zero from behind.
 *
 * @param angle between axis and direction, degrees
 * @param halfAngle degrees, above 0 and below 90
 * @example angularResponse(30, 30) // 0.5
 */
export function angularResponse(angle: number, halfAngle: number): number {
  const cosine = Math.cos(radians(angle));
  if (cosine <= 0) return 0;
  return cosine ** (Math.log(0.5) / Math.log(Math.cos(radians(halfAngle))));
}

/**
 * Share of an evenly bright hemisphere that falls into a cone and onto a flat receiver: sin² of the
 * cone's half-angle (integral of cos θ over the cone, over that of the hemisphere).
 *
 * @example skyShare(30) // 0.25
 */
export const skyShare = (halfAngle: number): number => Math.sin(radians(halfAngle)) ** 2;

/**
 * Angle between two directions given in degrees, 0 … 180.
 *
 * @example angleBetween(350, 10) // 20
 */
export function angleBetween(a: number, b: number): number {
  const turn = Math.abs(a - b) % 360;
  return turn > 180 ? 360 - turn : turn;
}
