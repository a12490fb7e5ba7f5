/** ln(1 + e^z) without overflow: a ramp with a rounded corner. */
export const softplus = (z: number): number => (z > 30 ? z : Math.log1p(Math.exp(z)));

/** Slope of `softplus`. */
export const logistic = (z: number): number => 1 / (1 + Math.exp(-z));
