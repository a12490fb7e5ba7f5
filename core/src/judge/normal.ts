/**
 * Upper tail of the standard normal distribution, relative error below 2e-7 (Press et al., Numerical
 * Recipes, erfc by a Chebyshev fit).
 *
 * @param z standard deviations above the mean
 * @example upperTail(1.959964) // 0.025000
 */
export function upperTail(z: number): number {
  const x = Math.abs(z) / Math.SQRT2;
  const t = 1 / (1 + 0.5 * x);
  const terms = [
    0.17087277, -0.82215223, 1.48851587, -1.13520398, 0.27886807, -0.18628806, 0.09678418,
    0.37409196, 1.00002368, -1.26551223,
  ];
  const erfc = t * Math.exp(-x * x + terms.reduce((sum, c) => sum * t + c, 0));
  return z >= 0 ? erfc / 2 : 1 - erfc / 2;
}

/**
 * Probability that two standard normal values of a correlation are both above `z`: Plackett's integral
 * (Biometrika 41, 1954; after Drezner and Wesolowsky, 1990), by Simpson's rule.
 *
 * @param correlation −1 … 1
 * @example bothAbove(0, 0.5) // 0.333333
 */
export function bothAbove(z: number, correlation: number): number {
  const end = Math.asin(Math.max(-1, Math.min(1, correlation)));
  const panels = 200;
  const at = (i: number): number => {
    const lean = 1 + Math.sin((end * i) / panels);
    return lean < 1e-12 ? (z === 0 ? 1 : 0) : Math.exp((-z * z) / lean);
  };
  let sum = at(0) + at(panels);
  for (let i = 1; i < panels; i++) sum += (i % 2 === 0 ? 2 : 4) * at(i);
  const integral = (sum * end) / panels / 3 / (2 * Math.PI);
  return Math.max(0, upperTail(z) ** 2 + integral);
}
