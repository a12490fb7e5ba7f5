import type { Param } from './part-kind.js';

/**
 * How long the pull-up of the pin that reads a capacitor takes to charge it.
 *
 * Source: R·C·ln 2 to half of the supply, 31 µs at 45 kΩ (closed form).
 */
export const chargedIn = {
  id: 'perNano',
  label: 'Charged by its pin in, µs a nanofarad',
  unit: '',
  default: 31,
  min: 1,
  max: 1000,
} as const satisfies Param;
