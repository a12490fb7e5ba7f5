import type { Quantity } from '../catalog/index.js';

/** What a cover keeps from a sensor: all that is seen or heard. */
export const coverable: ReadonlySet<Quantity> = new Set<Quantity>([
  ...(['light', 'infrared', 'carrier', 'heat', 'echo', 'distance'] as const),
  ...(['reflection', 'sound', 'smoke'] as const),
]);
