import { formatDuration } from '@yurei/core/quantity';

/** Up to here a moment is told to the millisecond, s. */
const fine = 1000;

/** A moment of a scene, as exactly as it matters: "16.610 s", "1 h 7 min". */
export const sayMoment = (t: number): string =>
  t < fine ? `${t.toFixed(3)}\u00a0s` : formatDuration(t);
