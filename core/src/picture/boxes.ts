import { consecutive } from '../design/index.js';
/** A place on the picture's paper, px. */
export interface Point {
  x: number;
  y: number;
}

/** An upright rectangle on it. */
export interface Box extends Point {
  width: number;
  height: number;
}

/** Whether two rectangles share more than an edge. */
export const overlap = (a: Box, b: Box): boolean =>
  a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height;

/** The stretches of a square line as rectangles, `half` to each side. */
export const stretchBoxes = (points: readonly Point[], half: number): Box[] =>
  consecutive(points).map(([a, b]) => ({
    x: Math.min(a.x, b.x) - half,
    y: Math.min(a.y, b.y) - half,
    width: Math.abs(b.x - a.x) + 2 * half,
    height: Math.abs(b.y - a.y) + 2 * half,
  }));
