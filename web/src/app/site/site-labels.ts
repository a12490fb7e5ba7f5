import { overlap, type Box, type Point } from '@yurei/core/picture';

/** Something that is named on the plan: the point it stands at, and how wide its name is, px. */
export interface Named {
  key: string;
  at: Point;
  width: number;
}

const lineHeight = 15;
/** From the middle of what is named to its label. */
const gap = 10;
/** How far around a label is tried, in lines. */
const rings = 14;

/**
 * Where names stand, by key: beside what they name, within the frame if they can, and clear of everything else and of each
 * other. A name that finds no room stands at its usual place.
 *
 * @param taken what no name may stand on
 * @param crossed what a name stands on only where it must
 * @returns the left end of each name's base line, px
 */
export function placeNames(
  named: readonly Named[],
  taken: readonly Box[],
  crossed: readonly Box[],
  frame: { width: number; height: number },
): Map<string, Point> {
  const boxes = [...taken];
  const places = new Map<string, Point>();
  for (const { key, at, width } of named) {
    const options = around(at, width, frame.width).map((place) => ({
      place,
      box: boxOf(place, width),
    }));
    const free = options.filter(({ box }) => !boxes.some((b) => overlap(b, box)));
    const clear = free.filter(({ box }) => !crossed.some((b) => overlap(b, box)));
    const inside = [...clear, ...free].find(({ box }) => isWithin(box, frame));
    const found = inside ?? free[0] ?? options[0];
    if (!found) continue;
    boxes.push(found.box);
    places.set(key, found.place);
  }
  return places;
}

const boxOf = ({ x, y }: Point, width: number): Box => ({
  x: x - 1,
  y: y - lineHeight + 3,
  width: width + 2,
  height: lineHeight,
});

const isWithin = (box: Box, frame: { width: number; height: number }): boolean =>
  box.x >= 0 &&
  box.y >= 0 &&
  box.x + box.width <= frame.width &&
  box.y + box.height <= frame.height;

/** Right and left of a point, then above and below, ever farther; a long name as far within the frame as it goes. */
function around({ x, y }: Point, width: number, within: number): Point[] {
  const middle = x - width / 2;
  const sides = [
    x + gap,
    x - gap - width,
    middle,
    Math.max(1, Math.min(middle, within - width - 1)),
  ];
  const rows = Array.from({ length: rings }, (_, i) => [i, -i]).flat();
  return rows.flatMap((row) =>
    sides
      .filter((_, side) => side < 2 || row !== 0)
      .map((left) => ({ x: left, y: y + 4 + row * lineHeight })),
  );
}
