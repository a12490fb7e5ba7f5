/**
 * Radians of an angle in degrees.
 *
 * @example radians(180) // Math.PI
 */
export const radians = (degrees: number): number => (degrees * Math.PI) / 180;

/**
 * Degrees of an angle in radians.
 *
 * @example degrees(Math.PI / 2) // 90
 */
export const degrees = (radians: number): number => (radians * 180) / Math.PI;
