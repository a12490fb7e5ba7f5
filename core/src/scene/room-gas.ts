/**
 * Concentration in a well-mixed, ventilated room, as a share:
 * c(t) = s/(λ·V)·(1 − e^(−λt)) while it is released, falling as e^(−λt) afterwards (mass balance
 * V·dc/dt = s − λ·V·c; without ventilation s·t/V).
 *
 * @param t s since the release began
 * @param released how long it lasts, s
 * @param rate s, m³/s of the pure gas
 * @param volume V, m³
 * @param changes λ, air changes per second
 * @returns 0 … 1
 * @example roomConcentration(600, 600, 1e-5, 30, 0) // 0.0002
 */
export function roomConcentration(
  t: number,
  released: number,
  rate: number,
  volume: number,
  changes: number,
): number {
  if (t <= 0) return 0;
  const while_ = Math.min(t, released);
  const risen =
    changes > 0
      ? (rate / (changes * volume)) * -Math.expm1(-changes * while_)
      : (rate * while_) / volume;
  return Math.min(1, risen * Math.exp(-changes * (t - while_)));
}
