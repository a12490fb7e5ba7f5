import type { Plan, Point } from '@yurei/core/design';

/** What is drawn of the place catches what is drawn already so near to it, px. */
const catches = 8;
/** Elsewhere it lies on whole steps of this, m. */
const step = 0.05;

/** Whether what has the key is caught by what is drawn already. */
export const snaps = (key: string): boolean => /^(wall|room|entrance) /.test(key);

/** Ends of walls and corners of rooms, but for the one that is moved. */
function endsOf({ walls, rooms = [] }: Plan, moved: string): Point[] {
  return [
    ...walls.flatMap((wall, i) => [
      { key: `wall ${i} from`, at: wall.from },
      { key: `wall ${i} to`, at: wall.to },
    ]),
    ...rooms.flatMap(({ outline }, i) => outline.map((at, c) => ({ key: `room ${i} ${c}`, at }))),
  ]
    .filter(({ key }) => key !== moved)
    .map(({ at }) => at);
}

/**
 * Where an end of a wall or a corner comes to lie when it is dropped: on another one, in line with another one to the right or upwards,
 * or on a whole step.
 *
 * @param metre px
 */
export function snapped(plan: Plan, key: string, point: Point, metre: number): Point {
  const ends = endsOf(plan, key);
  const near = ends.find((e) => Math.hypot(e.x - point.x, e.y - point.y) * metre <= catches);
  if (near) return { x: near.x, y: near.y };
  const line = (axis: 'x' | 'y'): number =>
    ends.map((e) => e[axis]).find((v) => Math.abs(v - point[axis]) * metre <= catches / 2) ??
    Math.round(Math.round(point[axis] / step) * step * 100) / 100;
  return { x: line('x'), y: line('y') };
}
