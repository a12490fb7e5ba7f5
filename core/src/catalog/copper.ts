/**
 * Resistance of a copper winding at another temperature: 0.00393/K from 20 °C (IEC 60028), for a value
 * stated at 25 °C.
 */
export function copperAt(ohms: number, celsius: number): number {
  const at = (t: number): number => 1 + 0.00393 * (t - 20);
  return (ohms * at(celsius)) / at(25);
}
