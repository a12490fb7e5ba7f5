/** Whether a moment lies within a time that begins at 0. */
export const during = (t: number, lasts: number): boolean => t >= 0 && t <= lasts;

/**
 * A bell from 0 through 1 back to 0 over the time it lasts: sin².
 *
 * @param t s
 * @param lasts s
 * @example swell(1, 4) // 0.5
 */
export const swell = (t: number, lasts: number): number =>
  during(t, lasts) ? Math.sin((Math.PI * t) / lasts) ** 2 : 0;

/**
 * Up in a straight line, there for a while, and down again: 0 … 1.
 *
 * @example trapezoid(0.5, 1, 2, 1) // 0.5
 */
export function trapezoid(t: number, rise: number, stay: number, fall: number): number {
  if (t < 0 || t > rise + stay + fall) return 0;
  if (t < rise) return t / rise;
  return t <= rise + stay ? 1 : (rise + stay + fall - t) / fall;
}

/**
 * How much has gone by under a trapezoid until a moment, s.
 *
 * @example trapezoidSum(9, 1, 2, 1) // 3
 */
export function trapezoidSum(t: number, rise: number, stay: number, fall: number): number {
  const up = Math.min(rise, Math.max(0, t));
  const level = Math.min(stay, Math.max(0, t - rise));
  const down = Math.min(fall, Math.max(0, t - rise - stay));
  return up ** 2 / (2 * rise) + level + down - down ** 2 / (2 * fall);
}

/**
 * A beginning at once that dies away; ends after seven time constants.
 *
 * @param t s
 * @param tau s
 * @example decay(1, 1) // 0.367879
 */
export const decay = (t: number, tau: number): number =>
  during(t, 7 * tau) ? Math.exp(-t / tau) : 0;
