/** Radians of an angle in degrees. */
export const radians = (degrees: number): number => (degrees * Math.PI) / 180;

/** Degrees of an angle in radians. */
export const degrees = (radians: number): number => (radians * 180) / Math.PI;
