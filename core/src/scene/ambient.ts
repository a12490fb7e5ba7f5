import {
  choice,
  quantities,
  restStimulus,
  surroundings,
  valuesOf,
  type Stimulus,
  type Param,
  type Quantity,
  type ValuesOf,
} from '../catalog/index.js';
import type { Scene } from '../design/index.js';
import { clearSky, sunElevation, throughClouds } from './sky.js';

/** Weather, light and mains of a scene. */
const weather = [
  { id: 'daylight', label: 'Daylight', unit: 'lx', default: 0, min: 0, max: 2e5 },
  choice('sky', 'Daylight follows', ['the number given', 'the sun'], 'the number given'),
  { id: 'hour', label: 'Hour at the start', unit: '', default: 12, min: 0, max: 24 },
  { id: 'day', label: 'Day of the year', unit: '', default: 172, min: 1, max: 366, whole: true },
  { id: 'latitude', label: 'Latitude', unit: '°', default: 50, min: -66, max: 66 },
  { id: 'clouds', label: 'Sky covered by clouds', unit: '', default: 0, min: 0, max: 1 },
  { id: 'passing', label: 'Clouds that pass', unit: '', default: 0, min: 0, max: 1 },
  { id: 'swing', label: 'Warmer by day, ±', unit: 'K', default: 0, min: 0, max: 30 },
  { id: 'lamp', label: 'Light of mains lamps', unit: 'lx', default: 0, min: 0, max: 2e4 },
  { id: 'ripple', label: 'Their ripple, ±', unit: '', default: 0.3, min: 0, max: 1 },
  { id: 'mains', label: 'Mains frequency', unit: 'Hz', default: 50, min: 16, max: 400 },
  // What acts moves water and air only where it is told how much there is.
  { id: 'tank', label: 'Water surface of the tank', unit: 'm²', default: 0, min: 0, max: 1e6 },
  { id: 'inflow', label: 'Runs into the tank', unit: 'L/min', default: 0, min: 0, max: 1e5 },
  { id: 'brim', label: 'Tank runs over at (0: never)', unit: 'm', default: 0, min: 0, max: 50 },
  { id: 'room', label: 'Air in the room', unit: 'm³', default: 0, min: 0, max: 1e6 },
  { id: 'airing', label: 'Its air changes an hour', unit: '', default: 0.5, min: 0, max: 100 },
  { id: 'loss', label: 'Heat lost at 1 K over outside', unit: 'W', default: 0, min: 0, max: 1e5 },
  {
    id: 'holds',
    label: 'Heat held at 1 K (0: by air alone)',
    unit: 'J',
    default: 0,
    min: 0,
    max: 1e9,
  },
] as const satisfies readonly Param[];

/** Set by daylight and lamps, not by hand. */
const computed: readonly Quantity[] = ['light', 'infrared'];

/** What is felt of the other quantities where nothing happens. */
const rests: readonly Param[] = quantities
  .filter((q) => !computed.includes(q))
  .map((q) => {
    const { label, unit, rest, min, max } = surroundings[q];
    return { id: q, label, unit, default: rest, min, max };
  });

/** Surroundings that nothing is missing of. */
export type Ambient = ValuesOf<typeof weather> & Stimulus;

/** Everything that can be said of a scene's surroundings. */
export const ambientParams: readonly Param[] = [...weather, ...rests];

/** A scene's surroundings with what is usual filled in. */
export const ambientOf = ({ ambient }: Pick<Scene, 'ambient'>): Ambient => ({
  ...restStimulus,
  ...ambient,
  ...valuesOf(weather, ambient),
});

/** Clouds pass with about this period, s. */
const cloudPeriod = 240;

/** A slow wandering between 0 and 1: three sines whose periods have no common measure. */
const wander = (t: number, seed: number): number =>
  0.5 +
  (Math.sin((2 * Math.PI * t) / cloudPeriod + seed) +
    Math.sin((2 * Math.PI * t) / (cloudPeriod * Math.SQRT2) + 2 * seed) +
    Math.sin((2 * Math.PI * t) / (cloudPeriod * Math.sqrt(7)) + 3 * seed)) /
    6;

/** The hour of the day at a moment of a scene. */
export const hourAt = (ambient: Ambient, t: number): number => (ambient.hour + t / 3600 + 24) % 24;

/** What a clock shows as a scene begins, s after midnight. */
export const clockAt = (scene: Pick<Scene, 'ambient'>): number =>
  hourAt(ambientOf(scene), 0) * 3600;

/** Daylight on level ground at a moment of a scene, lx. */
export function daylightAt(ambient: Ambient, t: number, seed: number): number {
  const { latitude, day } = ambient;
  const clear =
    ambient.sky === 'the sun'
      ? clearSky(sunElevation({ latitude, day, hour: hourAt(ambient, t) }))
      : ambient.daylight;
  const passing = ambient.passing > 0 ? ambient.passing * wander(t, seed) : 0;
  const cover = Math.min(1, ambient.clouds + passing);
  return clear * throughClouds(cover);
}

/** Light of mains lamps at a moment: it pulses twice a period, lx. */
export const lampAt = (ambient: Ambient, t: number): number =>
  ambient.lamp * (1 + ambient.ripple * Math.sin(2 * Math.PI * ((2 * ambient.mains * t) % 1)));

/** Air temperature, °C: warmest at 15 h, coldest at 3 h. */
export const temperatureAt = (ambient: Ambient, t: number): number =>
  ambient.temperature +
  (ambient.swing > 0
    ? ambient.swing * Math.cos((2 * Math.PI * (hourAt(ambient, t) - 15)) / 24)
    : 0);

/** Light on level ground at a moment of a scene, daylight and lamps without their ripple, lx. */
export const lightAt = ({ ambient, seed }: Pick<Scene, 'ambient' | 'seed'>, t: number): number => {
  const full = ambientOf({ ambient });
  return daylightAt(full, t, seed) + full.lamp;
};

/** Whether a scene asks for what is only to be had in time: power that comes on, or water and air that what acts moves. */
export function isOnlyInTime(scene: Pick<Scene, 'ambient' | 'starts'>): boolean {
  const { tank, room } = ambientOf(scene);
  return scene.starts === 'power-on' || tank > 0 || room > 0;
}
