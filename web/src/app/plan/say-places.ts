import type { Part, Place } from '@yurei/core/design';
import type { Ring, Suggestion } from '@yurei/core/plan';
import { decimals, formatQuantity } from '@yurei/core/quantity';
import type { Sides } from '../site/site';

const metres = (m: number): string => formatQuantity(m, 'm');

function sayPlace({ x, y, z, facing, tilt = 0 }: Place, sides: Sides): string {
  const high = z === undefined ? '' : `, ${metres(z)} high`;
  const down = z === undefined || tilt === 0 ? '' : ` and ${decimals(tilt, 0)}° down`;
  return `${metres(x)} ${sides.right} and ${metres(y)} ${sides.up}${high}, looking ${decimals(facing, 0)}° from ${sides.start}${down}`;
}

/** Where sensors stand now, and what of the way in is noticed from there. */
export function saySuggestion(
  parts: readonly Part[],
  { way, fooledBy }: Suggestion,
  sides: Sides,
): string {
  const stand = parts.flatMap(({ name, place }) =>
    place ? [`${name} stands ${sayPlace(place, sides)}.`] : [],
  );
  const noticed = way
    ? `Of the easiest way that is left, ${metres(way.length)} long, ${metres(way.noticed)} is noticed.`
    : 'Walls leave no way in.';
  const fooled =
    fooledBy.length > 0
      ? [`From there this is noticed too, and must not be: ${fooledBy.join(', ')}.`]
      : [];
  return [...stand, noticed, ...fooled].join(' ');
}

/** How many of a sensor it takes for all directions, and by how much they overlap. */
export function sayRing({ name }: Part, distance: number, ring: Ring | undefined): string {
  if (!ring) return `${name} does not notice it ${metres(distance)} away.`;
  const { count, half, overlap, overlapWidth } = ring;
  if (count === 1) return `one of ${name} notices it on all sides.`;
  const shared =
    overlap < 0.05
      ? 'neighbours just meet'
      : `neighbours share ${decimals(overlap, 1)}°, ${metres(overlapWidth)} wide there`;
  return `it takes ${count} of ${name}: each notices ${decimals(half, 1)}° to either side, and ${shared}.`;
}
