import { radians } from '../quantity/index.js';
import { findSurrounding, kindOf, type Quantity } from '../catalog/index.js';
import type { Design, Part, Place, Point } from '../design/index.js';
import { contributes } from './happenings.js';
import type { HappeningKind } from './happening-kind.js';

/** How far a path reaches on either side of the middle, m; of what passes close by, so many times its distance. */
const reach = 3;
const reachShare = 20;

/**
 * Where a new happening is put: at the first part that feels what it gives, else across the middle of the parts (of the
 * plan, where no part has a place), and within the plan.
 *
 * @param far how far from what feels it, m; as things of that kind mostly pass where it is left out. What is felt only at
 * the very place goes right through it.
 * @returns undefined for a kind that is everywhere
 */
export function usualPath(
  { parts, plan }: Pick<Design, 'parts' | 'plan'>,
  kind: HappeningKind,
  far?: number,
): Point[] | undefined {
  if (kind.where === 'everywhere') return undefined;
  const placed = parts.flatMap((part) => (part.place ? [{ part, ...part.place }] : []));
  const senses = placed.find(({ part }) => feltOf(part, kind) !== undefined);
  const apart = far ?? kind.passes;
  const away = apart !== undefined && senses && onContact(senses.part, kind) ? 0 : far;
  if (kind.where === 'point' && senses) return [inFront(senses, away ?? kind.passes ?? 0, plan)];
  const mean = (axis: 'x' | 'y', edge: number): number =>
    placed.length === 0 ? edge / 2 : placed.reduce((sum, p) => sum + p[axis], 0) / placed.length;
  const [x, y] = [mean('x', plan.width), mean('y', plan.depth)];
  if (kind.where === 'point') return [{ x, y }];
  const passes = away ?? kind.passes;
  // Nothing goes through what feels it from afar: it passes in front.
  if (
    passes !== undefined &&
    senses &&
    (away !== undefined || Math.hypot(x - senses.x, y - senses.y) < passes)
  ) {
    const [from, to] = across(senses, passes, plan);
    // In a corner that looks out of the plan there is no way in front.
    if (from.x !== to.x || from.y !== to.y) return [from, to];
  }
  const within = (v: number): number => Math.min(plan.depth, Math.max(0, v));
  return [
    { x, y: within(y - reach) },
    { x, y: within(y + reach) },
  ];
}

/** What a part feels first of a kind of happening. */
const feltOf = (part: Part, kind: HappeningKind): Quantity | undefined =>
  kindOf(part).senses?.quantities.find((quantity) => contributes(kind, quantity));

/** Whether a part feels a kind of happening only at the very place. */
function onContact(part: Part, kind: HappeningKind): boolean {
  const felt = feltOf(part, kind);
  return felt !== undefined && findSurrounding(felt)?.onContact === true;
}

/** A point straight ahead of a part and so far to its left, within the plan. */
function inFront({ x, y, facing }: Place, distance: number, plan: Design['plan'], left = 0): Point {
  const [ahead, side] = [radians(facing), radians(facing + 90)];
  return {
    x: clamp(x + distance * Math.cos(ahead) + left * Math.cos(side), plan.width),
    y: clamp(y + distance * Math.sin(ahead) + left * Math.sin(side), plan.depth),
  };
}

/** A way across what a part looks at, at a distance from it, from one side to the other. */
function across(from: Place, distance: number, plan: Design['plan']): [Point, Point] {
  const along = distance > 0 ? Math.min(reach, reachShare * distance) : reach;
  return [inFront(from, distance, plan, -along), inFront(from, distance, plan, along)];
}

const clamp = (v: number, most: number): number =>
  Number(Math.min(most, Math.max(0, v)).toFixed(3));
