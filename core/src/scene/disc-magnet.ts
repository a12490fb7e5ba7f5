/**
 * Field on the axis of a disc magnet, T:
 * B = Br/2·[(D + z)/√(R² + (D + z)²) − z/√(R² + z²)] (closed form for uniform magnetisation along the axis).
 *
 * @param remanence Br, T
 * @param radius R, m
 * @param thickness D, m
 * @param z from its face, m, 0 or more
 * @returns T
 * @example discMagnetField(1.2, 5e-3, 3e-3, 0) // 0.3087
 */
export function discMagnetField(
  remanence: number,
  radius: number,
  thickness: number,
  z: number,
): number {
  const far = thickness + z;
  return (remanence / 2) * (far / Math.hypot(radius, far) - z / Math.hypot(radius, z));
}
