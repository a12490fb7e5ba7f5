import { radians } from '../quantity/index.js';
import { kindOf } from '../catalog/index.js';
import type { Design, Place, Point } from '../design/index.js';
import { contributes } from './happenings.js';
import type { HappeningKind } from './happening-kind.js';

/** How far a path reaches on either side of the middle, m; of what passes close by, so many times its distance. */
const reach = 3;
const reachShare = 20;

/**
 * Where a new happening is put: at the first part that feels what it gives, else across the middle of the parts (of the
 * plan, where no part has a place), and within the plan.
 *
 * @returns undefined for a kind that is everywhere
 */
export function usualPath(
  { parts, plan }: Pick<Design, 'parts' | 'plan'>,
  kind: HappeningKind,
): Point[] | undefined {
  if (kind.where === 'everywhere') return undefined;
  const placed = parts.flatMap((part) => (part.place ? [{ part, ...part.place }] : []));
  const senses = placed.find(({ part }) =>
    kindOf(part).senses?.quantities.some((quantity) => contributes(kind, quantity)),
  );
  if (kind.where === 'point' && senses) return [{ x: senses.x, y: senses.y }];
  const mean = (axis: 'x' | 'y', edge: number): number =>
    placed.length === 0 ? edge / 2 : placed.reduce((sum, p) => sum + p[axis], 0) / placed.length;
  const [x, y] = [mean('x', plan.width), mean('y', plan.depth)];
  if (kind.where === 'point') return [{ x, y }];
  const { passes } = kind;
  // Nothing goes through what feels it: it passes in front.
  if (passes !== undefined && senses && Math.hypot(x - senses.x, y - senses.y) < passes) {
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

/** A way across what a part looks at, at a distance from it, from one side to the other. */
function across(from: Place, distance: number, plan: Design['plan']): [Point, Point] {
  const [ahead, side] = [radians(from.facing), radians(from.facing + 90)];
  const far = Math.min(reach, reachShare * distance);
  const at = (along: number): Point => ({
    x: clamp(from.x + distance * Math.cos(ahead) + along * Math.cos(side), plan.width),
    y: clamp(from.y + distance * Math.sin(ahead) + along * Math.sin(side), plan.depth),
  });
  return [at(-far), at(far)];
}

const clamp = (v: number, most: number): number =>
  Number(Math.min(most, Math.max(0, v)).toFixed(3));
