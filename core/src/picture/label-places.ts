import { consecutive } from '../design/index.js';
import { overlap, stretchBoxes, type Box, type Point } from './boxes.js';

/** A label is this wide, and this high without and with the counts under its volts, px. */
const size = { width: 50, volts: 16, counts: 30 };
/** From a label's middle up to its upper edge. */
const rise = 13;
/** From a level line to the labels below and above it; the counts need more room above. */
const drop = 15;
const lift = { volts: -6, counts: -20 };
/** From an upright line to a label beside it. */
const beside = 4;

/** The room that a label takes around its place. */
export const labelBox = (at: Point, read: boolean): Box => ({
  x: at.x - size.width / 2,
  y: at.y - rise,
  width: size.width,
  height: read ? size.counts : size.volts,
});

/** Finds places for the labels of lines, clear of cards, their flags, and each other, and if it can be of other lines. */
export class LabelPlaces {
  private readonly taken: Box[];

  constructor(
    cards: readonly Box[],
    private readonly lines: readonly (readonly Point[])[],
  ) {
    this.taken = [...cards];
  }

  /**
   * The middle of a label beside a line: along its level stretches, the longest first, below it or above; else beside its
   * upright ones.
   *
   * @returns the place, and how long the stretch is; no place where none is clear
   */
  place(points: readonly Point[], read: boolean): { at: Point | undefined; room: number } {
    const stretches = consecutive(points)
      .map(([a, b]) => ({ a, b, room: Math.hypot(b.x - a.x, b.y - a.y) }))
      .sort((s, t) => t.room - s.room);
    const level = stretches.filter(({ a, b }) => a.y === b.y);
    const upright = stretches.filter(({ a, b }) => a.x === b.x && a.y !== b.y);
    // It may stand right up to its own line, as its letters do not reach its edge.
    const all = this.lines.flatMap((line) => stretchBoxes(line, line === points ? 0 : 1));
    for (const lines of [all, []])
      for (const { a, b, room } of [...level, ...upright])
        for (const at of a.y === b.y ? besideLevel(a, b, read) : besideUpright(a, b))
          if (this.claim(at, read, lines)) return { at, room };
    return { at: undefined, room: 0 };
  }

  private claim(at: Point, read: boolean, lines: readonly Box[]): boolean {
    const box = labelBox(at, read);
    if ([...this.taken, ...lines].some((other) => overlap(other, box))) return false;
    this.taken.push(box);
    return true;
  }
}

const besideLevel = (a: Point, b: Point, read: boolean): Point[] =>
  along(a.x, b.x, size.width).flatMap((x) =>
    [drop, read ? lift.counts : lift.volts].map((by) => ({ x, y: a.y + by })),
  );

const besideUpright = (a: Point, b: Point): Point[] =>
  along(a.y, b.y, size.counts).flatMap((y) =>
    [1, -1].map((side) => ({ x: a.x + side * (beside + size.width / 2), y: y + 5 })),
  );

/** Places along a stretch: its middle first, then outwards by a label's length, half of it at a time. */
function along(a: number, b: number, length: number): number[] {
  const [low, high] = [Math.min(a, b), Math.max(a, b)];
  const middle = (low + high) / 2;
  const found = [middle];
  for (let away = length / 2; middle + away <= high - length / 2; away += length / 2)
    found.push(middle - away, middle + away);
  return found;
}
