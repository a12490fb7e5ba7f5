import type { Channel, Happening, Place } from '../design/index.js';
import { radians } from '../quantity/index.js';
import type { WouldRead } from './what-if.js';

/** A happening as it might be instead, with the value that was changed. */
export interface Variant {
  value: number;
  happening: Happening;
}

/** m */
const distances = [0.2, 0.35, 0.5, 0.75, 1, 1.5, 2, 3, 5, 8];
/** Degrees off straight ahead. */
const angles = [0, 10, 20, 30, 45, 60, 80];
/** Shares that a surface throws back: black, grey, skin and wood, white paper (from memory). */
const reflectances = [0.05, 0.1, 0.2, 0.35, 0.5, 0.7, 0.9];

function moved(happening: Happening, { x, y, facing }: Place, distance: number, off: number) {
  const angle = radians(facing + off);
  const at = { x: x + distance * Math.cos(angle), y: y + distance * Math.sin(angle) };
  return { ...happening, path: [at] };
}

/** A happening straight ahead of a sensor, nearer and farther; values in m. */
export const byDistance = (happening: Happening, sensor: Place): Variant[] =>
  distances.map((value) => ({ value, happening: moved(happening, sensor, value, 0) }));

/** A happening 1 m from a sensor, more and more off straight ahead; values in degrees. */
export const byAngle = (happening: Happening, sensor: Place): Variant[] =>
  angles.map((value) => ({ value, happening: moved(happening, sensor, 1, value) }));

/** A happening of a body with other surfaces; values are shares of the light thrown back. */
export const byReflectance = (happening: Happening): Variant[] =>
  reflectances.map((value) => ({
    value,
    happening: { ...happening, params: { ...happening.params, reflectance: value } },
  }));

/** A reading has moved when it differs from rest by more than this many counts, and this share of rest. */
const moves = { counts: 3, share: 0.1 };

/** Happenings that move a channel's reading where things are as they are: others are for other channels. */
export function perceivedBy(would: readonly WouldRead[]): ReadonlySet<string> {
  return new Set(
    would.flatMap(({ rest = 0, during }) =>
      during
        .filter((d) => Math.abs(d.counts - rest) > Math.max(moves.counts, moves.share * rest))
        .map((d) => d.happening),
    ),
  );
}

/**
 * How far apart quiet and wanted would lie, counts: from the farthest of rest and nuisances to the nearest of what is
 * wanted and felt. For a single happening it is the distance from the threshold; negative is the wrong side.
 *
 * @param felt ids of the happenings that the channel feels
 * @returns undefined where nothing wanted is felt
 */
export function roomIf(
  { rest, during }: WouldRead,
  { trips, threshold }: Pick<Channel, 'trips' | 'threshold'>,
  stimulus: ReadonlySet<string>,
): number | undefined {
  const sign = trips === 'below' ? -1 : 1;
  const wanted = during
    .filter((d) => d.intent === 'wanted' && stimulus.has(d.happening))
    .map((d) => sign * d.counts);
  const others = [rest, ...during.filter((d) => d.intent !== 'wanted').map((d) => d.counts)]
    .filter((c) => c !== undefined)
    .map((c) => sign * c);
  if (wanted.length === 0) return undefined;
  const nearest = Math.min(...wanted);
  if (during.length === 1) return nearest - sign * threshold;
  return others.length === 0 ? undefined : nearest - Math.max(...others);
}
