/**
 * Resistance of a copper winding at another temperature: 0.00393/K from 20 °C (IEC 60028), for a value
 * stated at 25 °C.
 */
export function copperAt(ohms: number, celsius: number): number {
  const at = (t: number): number => 1 + 0.00393 * (t - 20);
  return (ohms * at(celsius)) / at(25);
}

/** Resistivity of annealed copper, 1.7241e-8 Ω·m at 20 °C (IEC 60028), brought to 25 °C. */
const resistivityAt25 = 1.7241e-8 * (1 + 0.00393 * 5);

/** Resistance of a copper wire at 25 °C: ρ·l/A, from m and m². */
export const copperOhms = (length: number, area: number): number =>
  (resistivityAt25 * length) / area;
