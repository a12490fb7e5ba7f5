import type { Plan, Point } from '../design/index.js';

/** Steps, m. */
const finest = 0.1;

const moves = [
  [1, 0],
  [0, 1],
  [-1, 0],
  [0, -1],
  [1, 1],
  [-1, 1],
  [-1, -1],
  [1, -1],
] as const;

/** Points all over a plan, a step apart. */
export interface Grid {
  size: number;
  /** Between its points, m. */
  step: number;
  columns: number;
  rows: number;
  point: (i: number) => Point;
  nearest: (point: Point) => number;
  /** Where one can step from a point. */
  beside: (i: number) => number[];
}

/** Points on a plan, at most about so many, a step of at least a decimetre apart. */
export function gridOf({ width, depth }: Pick<Plan, 'width' | 'depth'>, most: number): Grid {
  const step = Math.max(finest, Math.sqrt((width * depth) / most));
  const [columns, rows] = [Math.floor(width / step) + 1, Math.floor(depth / step) + 1];
  const [dx, dy] = [width / Math.max(1, columns - 1), depth / Math.max(1, rows - 1)];
  const place = (v: number, d: number, n: number): number =>
    Math.min(n - 1, Math.max(0, Math.round(v / d)));
  return {
    ...{ size: columns * rows, step, columns, rows },
    point: (i) => ({ x: (i % columns) * dx, y: Math.floor(i / columns) * dy }),
    beside: (i) => {
      const all: number[] = [];
      for (const [right, up] of moves) {
        const [x, y] = [(i % columns) + right, Math.floor(i / columns) + up];
        if (x >= 0 && y >= 0 && x < columns && y < rows) all.push(y * columns + x);
      }
      return all;
    },
    nearest: ({ x, y }) => place(y, dy, rows) * columns + place(x, dx, columns),
  };
}
