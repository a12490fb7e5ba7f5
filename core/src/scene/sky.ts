import { consecutive } from '../design/index.js';
import { degrees, radians } from '../quantity/index.js';

/** Where and when the sun is looked at. */
export interface SunTime {
  /** Degrees north. */
  latitude: number;
  /** Of the year, 1 … 366. */
  day: number;
  /** Solar time, h from midnight. */
  hour: number;
}

/** Where the sun stands, degrees. */
export interface SunPosition {
  /** Above the horizon. */
  elevation: number;
  /** From north over east, 0 … 360. */
  azimuth: number;
}

/** The sun's height above the equator, degrees: δ = 23.45°·sin(360°·(284 + n)/365) (Cooper, Solar Energy 12, 1969). */
export const declinationOf = (day: number): number =>
  23.45 * Math.sin(radians((360 * (284 + day)) / 365));

/**
 * Where the sun stands: sin h = sin φ·sin δ + cos φ·cos δ·cos H; its azimuth from the parts of its direction to the north and to
 * the east, cos φ·sin δ − sin φ·cos δ·cos H and −cos δ·sin H. Refraction is left out.
 *
 * @example sunPosition({ latitude: 50, day: 172, hour: 12 }).azimuth // 180
 */
export function sunPosition({ latitude, day, hour }: SunTime): SunPosition {
  const declination = radians(declinationOf(day));
  const turn = radians(15 * (hour - 12));
  const phi = radians(latitude);
  const up =
    Math.sin(phi) * Math.sin(declination) + Math.cos(phi) * Math.cos(declination) * Math.cos(turn);
  const north =
    Math.cos(phi) * Math.sin(declination) - Math.sin(phi) * Math.cos(declination) * Math.cos(turn);
  const east = -Math.cos(declination) * Math.sin(turn);
  return {
    elevation: degrees(Math.asin(Math.max(-1, Math.min(1, up)))),
    azimuth: (degrees(Math.atan2(east, north)) + 360) % 360,
  };
}

/** Height of the sun above the horizon, degrees. */
export const sunElevation = (at: SunTime): number => sunPosition(at).elevation;

/** Height of the sun, degrees, and lx on the ground: horizon, end of civil and nautical twilight, night. */
const twilight = [
  [-18, 0.001],
  [-12, 0.008],
  [-6, 3.4],
  [0, 700],
] as const;

/**
 * Illuminance on level ground under a clear sky, lx. By day direct sun and sky after the IES Lighting
 * Handbook: 127 500·exp(−0.21/sin h)·sin h + 800 + 15 500·√sin h; in twilight straight lines in the
 * logarithm between published values (from memory) down to starlight.
 *
 * @param elevation height of the sun, degrees
 */
export function clearSky(elevation: number): number {
  const sine = Math.sin(radians(elevation));
  if (sine > 0.005) {
    return 127_500 * Math.exp(-0.21 / sine) * sine + 800 + 15_500 * Math.sqrt(sine);
  }
  const [[lowest, starlight]] = twilight;
  const height = Math.min(0, elevation);
  const between = consecutive(twilight).find(([, [above]]) => above >= height);
  if (height <= lowest || !between) return starlight;
  const [[a, low], [b, high]] = between;
  return low * (high / low) ** ((height - a) / (b - a));
}

/**
 * Share of the light that clouds leave, by the share of the sky they cover: 1 − 0.75·c^3.4 (Kasten and Czeplak, Solar Energy 24, 1980).
 *
 * @param cover 0 … 1
 * @example throughClouds(1) // 0.25
 */
export const throughClouds = (cover: number): number => 1 - 0.75 * cover ** 3.4;
