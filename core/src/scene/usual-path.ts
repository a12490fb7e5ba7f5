import { kindOf } from '../catalog/index.js';
import type { Design, Point } from '../design/index.js';
import type { HappeningKind } from './happening-kind.js';

/** How far a path reaches on either side of the middle, m. */
const reach = 3;

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
    kindOf(part).senses?.quantities.some((quantity) => kind.contributes?.[quantity] !== undefined),
  );
  if (kind.where === 'point' && senses) return [{ x: senses.x, y: senses.y }];
  const mean = (axis: 'x' | 'y', edge: number): number =>
    placed.length === 0 ? edge / 2 : placed.reduce((sum, p) => sum + p[axis], 0) / placed.length;
  const [x, y] = [mean('x', plan.width), mean('y', plan.depth)];
  if (kind.where === 'point') return [{ x, y }];
  const within = (v: number): number => Math.min(plan.depth, Math.max(0, v));
  return [
    { x, y: within(y - reach) },
    { x, y: within(y + reach) },
  ];
}
