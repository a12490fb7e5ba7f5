/** 0 dB of sound pressure level (IEC 61672-1), Pa. */
export const referencePressure = 20e-6;

/** Sound pressure of a level, Pa r.m.s. */
export const pressureOf = (decibel: number): number => referencePressure * 10 ** (decibel / 20);

/** Level of a sound pressure, dB. */
export const levelOf = (pascal: number): number => 20 * Math.log10(pascal / referencePressure);

/**
 * Sound pressure of a point source in the open: −6.02 dB per doubling of distance.
 *
 * @param decibel its level at 1 m
 * @param distance m
 */
export const pressureAt = (decibel: number, distance: number): number =>
  pressureOf(decibel) / distance;
