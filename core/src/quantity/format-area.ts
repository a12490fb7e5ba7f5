import { decimals } from './manner.js';

/** From here on nobody asks for a tenth of a square metre, m². */
const large = 1e4;
const squareKilometre = 1e6;

/**
 * Writes an area on the ground: a room to a tenth of a square metre, a field to one, what is larger in square kilometres.
 *
 * @param m2 m²
 * @example formatArea(12.34) // "12.3 m²"
 * @example formatArea(2.5e6) // "2.50 km²"
 */
export function formatArea(m2: number): string {
  if (m2 >= squareKilometre) return `${decimals(m2 / squareKilometre, 2)} km²`;
  return `${decimals(m2, m2 < large ? 1 : 0)} m²`;
}
