/** 0 dB of sound pressure level (IEC 61672-1), Pa. */
export const referencePressure = 20e-6;

/**
 * Sound pressure of a level, Pa r.m.s.
 *
 * @param decibel dB re 20 µPa
 * @returns Pa
 * @example pressureOf(94) // 1.00237
 */
export const pressureOf = (decibel: number): number => referencePressure * 10 ** (decibel / 20);

/**
 * Level of a sound pressure, dB.
 *
 * @returns dB re 20 µPa
 * @example levelOf(1) // 93.9794
 */
export const levelOf = (pascal: number): number => 20 * Math.log10(pascal / referencePressure);

/**
 * Sound pressure of a point source in the open: −6.02 dB per doubling of distance.
 *
 * @param decibel its level at 1 m
 * @param distance m
 * @example pressureAt(94, 2) / pressureAt(94, 1) // 0.5
 */
export const pressureAt = (decibel: number, distance: number): number =>
  pressureOf(decibel) / distance;
