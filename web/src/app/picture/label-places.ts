interface Box {
  x: number;
  y: number;
  width: number;
  height: number;
}
interface Point {
  x: number;
  y: number;
}

/** A label is this wide, and this high without and with the counts under its volts, px. */
const label = { width: 54, volts: 16, counts: 28 };
/** Flags stand this far above a card, ground signs this far below, px. */
const flags = { above: 16, below: 14 };
/** From a line to the label's middle, below and above it, px. */
const drop = 13;
const rise = -5;

/** Finds places for the labels of lines, clear of cards, their flags, and each other. */
export class LabelPlaces {
  private readonly taken: Box[];

  constructor(cards: readonly Box[]) {
    this.taken = cards.map((c) => ({
      x: c.x,
      y: c.y - flags.above,
      width: c.width,
      height: c.height + flags.above + flags.below,
    }));
  }

  /**
   * The middle of a label beside a line: along its level stretches, the longest first, below it or above.
   *
   * @returns the place, and how long the stretch is; 0 where no clear place was found
   */
  place(points: readonly Point[], read: boolean): { at: Point; room: number } {
    const stretches = points
      .slice(1)
      .flatMap((p, i) => (p.y === points[i].y ? [{ a: points[i], b: p }] : []))
      .sort((s, t) => Math.abs(t.b.x - t.a.x) - Math.abs(s.b.x - s.a.x));
    for (const { a, b } of stretches) {
      const room = Math.abs(b.x - a.x);
      for (const x of along(a.x, b.x)) {
        for (const by of [drop, read ? rise - 12 : rise]) {
          const at = { x, y: a.y + by };
          if (this.claim(at, read)) return { at, room };
        }
      }
    }
    const [first] = stretches;
    const middle = first ? (first.a.x + first.b.x) / 2 : (points[0]?.x ?? 0);
    return { at: { x: middle, y: (first?.a.y ?? points[0]?.y ?? 0) + drop }, room: 0 };
  }

  private claim(at: Point, read: boolean): boolean {
    const height = read ? label.counts : label.volts;
    const box = { x: at.x - label.width / 2, y: at.y - 13, width: label.width, height };
    if (this.taken.some((t) => overlap(t, box))) return false;
    this.taken.push(box);
    return true;
  }
}

/** Places along a stretch: its middle first, then outwards by a label's width. */
function along(a: number, b: number): number[] {
  const [low, high] = [Math.min(a, b), Math.max(a, b)];
  const middle = (low + high) / 2;
  const found = [middle];
  for (let away = label.width; middle + away <= high - label.width / 2; away += label.width)
    found.push(middle - away, middle + away);
  return found;
}

const overlap = (a: Box, b: Box): boolean =>
  a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height;
