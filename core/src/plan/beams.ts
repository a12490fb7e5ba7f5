import { kindOf } from '../catalog/index.js';
import type { Channel, Design, Part, Place, Point } from '../design/index.js';
import { degrees } from '../quantity/index.js';
import { angleBetween } from '../scene/index.js';
import { branchOf } from '../wiring/index.js';

/** A receiver, what shines into it, and the channel that reads it. */
export interface Beam {
  name: string;
  channel: Channel;
  from: Point;
  to: Point;
}

/** Two beams that are crossed one after the other. */
export interface BeamPair {
  first: string;
  second: string;
  /** Between them, m. */
  apart: number;
  /** Up to so fast, m/s, their order is told right however the readings fall. */
  fastest: number;
  /** Two who follow each other at walking pace with less than this between them are taken for one, m. */
  gap: number;
}

/** Walking pace, m/s (common practice). */
const walking = 1.3;
/** Both ends look so nearly at each other, degrees; and beams so far from parallel are no pair. */
const aim = 20;
const parallel = 30;

const bearing = (from: Point, to: Point): number =>
  degrees(Math.atan2(to.y - from.y, to.x - from.x));

const looksAt = (place: Place, at: Point): boolean =>
  angleBetween(bearing(place, at), place.facing) <= aim;

/** Every receiver that a channel reads and a lamp on the plan shines into. */
export function beamsOf(design: Design): Beam[] {
  const lamps = design.parts.flatMap((part) => {
    const { emits } = kindOf(part);
    return part.place && emits && emits.quantity !== 'sound'
      ? [{ place: part.place, quantity: emits.quantity }]
      : [];
  });
  return design.channels.flatMap((channel) => {
    const branch = branchOf(design, channel.pin);
    return design.parts
      .filter((part) => branch.includes(part.id) && !kindOf(part).emits)
      .flatMap((part) => lampOf(part, lamps).map((from) => ({ from, part })))
      .flatMap(({ from, part: { name, place } }) =>
        place ? [{ name, channel, from, to: place }] : [],
      );
  });
}

/** The nearest lamp that shines into it: none, or one. */
function lampOf(
  { place, ...part }: Part,
  lamps: readonly { place: Place; quantity: string }[],
): Place[] {
  const feels: readonly string[] = kindOf(part).senses?.quantities ?? [];
  if (!place) return [];
  const far = (lamp: Place): number => Math.hypot(lamp.x - place.x, lamp.y - place.y);
  return lamps
    .filter(({ quantity }) => feels.includes(quantity))
    .map((lamp) => lamp.place)
    .filter((lamp) => looksAt(place, lamp) && looksAt(lamp, place))
    .sort((a, b) => far(a) - far(b))
    .slice(0, 1);
}

/**
 * Pairs of beams that lie beside each other: how fast one may come for their order to be told. The first may trip as late as all the
 * readings in a row that it wants, the second as early as one fewer: that is the least time between them.
 */
export function beamPairs(design: Design): BeamPair[] {
  const beams = beamsOf(design);
  return beams.flatMap((a, i) =>
    beams.slice(i + 1).flatMap((b): BeamPair[] => {
      const turn = angleBetween(bearing(a.from, a.to), bearing(b.from, b.to));
      if (Math.min(turn, 180 - turn) > parallel) return [];
      const apart = fromLine({ x: (b.from.x + b.to.x) / 2, y: (b.from.y + b.to.y) / 2 }, a);
      const lag = Math.max(late(a) - early(b), late(b) - early(a));
      const gap = walking * Math.max(clears(a), clears(b));
      if (apart === 0) return [];
      return [{ first: a.name, second: b.name, apart, fastest: apart / lag, gap }];
    }),
  );
}

const late = ({ channel: { hits, every } }: Beam): number => hits * every;
const early = ({ channel: { hits, every } }: Beam): number => (hits - 1) * every;
const clears = ({ channel: { misses, every } }: Beam): number => misses * every;

function fromLine(point: Point, { from, to }: Beam): number {
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  const length = Math.hypot(dx, dy);
  if (length === 0) return 0;
  return Math.abs(dx * (point.y - from.y) - dy * (point.x - from.x)) / length;
}
