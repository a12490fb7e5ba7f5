import { decimals } from '@yurei/core/quantity';
/** From here on a moment is told as on a clock, s. */
const long = 1000;

/** A moment of a scene to the millisecond: "16.610 s", "1:08:20.008". */
export function sayMoment(t: number): string {
  if (t < long) return `${decimals(t, 3)}\u00a0s`;
  const all = Math.round(1000 * t);
  const whole = Math.floor(all / 1000);
  const two = (n: number): string => String(n).padStart(2, '0');
  const [h, min, s] = [Math.floor(whole / 3600), Math.floor(whole / 60) % 60, whole % 60];
  return `${h}:${two(min)}:${two(s)}.${String(all % 1000).padStart(3, '0')}`;
}
