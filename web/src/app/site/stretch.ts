import type { Param } from '@yurei/core/catalog';
import type { Plan, Point } from '@yurei/core/design';
import { degrees, radians } from '@yurei/core/quantity';
import { lengthOf } from '@yurei/core/scene';

/** m. */
export const lengthBetween = (from: Point, to: Point): number => lengthOf({ from, to });

/** Direction from one point to another, degrees anticlockwise from the right. */
export const directionOf = (from: Point, to: Point): number =>
  degrees(Math.atan2(to.y - from.y, to.x - from.x));

/** The point so far from another, in a direction, but not off the plan. */
export function pointAt(plan: Plan, from: Point, direction: number, length: number): Point {
  const far = Math.min(length, toEdge(plan, from, direction));
  return {
    x: millimetres(from.x + far * Math.cos(radians(direction))),
    y: millimetres(from.y + far * Math.sin(radians(direction))),
  };
}

const millimetres = (v: number): number => Math.round(v * 1000) / 1000;

/** How far it is from a point on the plan to its edge, m. */
function toEdge({ width, depth }: Plan, from: Point, direction: number): number {
  const [ux, uy] = [Math.cos(radians(direction)), Math.sin(radians(direction))];
  const along = (at: number, u: number, most: number): number =>
    Math.abs(u) < 1e-9 ? Infinity : ((u > 0 ? most : 0) - at) / u;
  return Math.max(0, Math.min(along(from.x, ux, width), along(from.y, uy, depth)));
}

/** How long the way from one point may be that goes where another lies. */
export const lengthParam = (plan: Plan, from: Point, to: Point): Param => ({
  ...{ id: 'length', label: 'Length', unit: 'm', default: 1, min: 0.01 },
  max: millimetres(toEdge(plan, from, directionOf(from, to))),
});
export const directionParam: Param = {
  ...{ id: 'direction', label: 'Direction', unit: '°', default: 0, min: -360, max: 360 },
};
