import { overlap, type Box, type Point } from './boxes.js';

interface Size {
  width: number;
  height: number;
}

/** From one place that is tried to the next, and the room that is left around, px. */
const step = 20;
const clearance = 12;

/** How much smaller a picture must be drawn to be seen whole in a frame; 1 where it just fits. */
export const shrink = (picture: Size, frame: Size): number =>
  Math.max(picture.width / frame.width, picture.height / frame.height);

/**
 * Where a block of cards fits beside what has a place already, so that the whole is drawn as large as can be in a frame; of
 * places as good, one at the left or right edge, far down.
 *
 * @param blocks its size in each way in which it can be arranged
 * @param taken what has a place, down to `extent`
 * @param from the upper left corner of the paper that may be used
 */
export function freeCorner(
  blocks: readonly Size[],
  taken: readonly Box[],
  extent: Size,
  frame: Size,
  from: Point,
): Point & { block: number } {
  const aside = ({ x, right }: { x: number; right: number }): number =>
    Math.min(x - from.x, right - x);
  const options = blocks.flatMap((block, index) =>
    places(block, extent, frame, from)
      .map((at) => ({
        ...at,
        size: block,
        block: index,
        shrink: shrink(reach(extent, at, block), frame),
      }))
      .sort((a, b) => a.shrink - b.shrink || aside(a) - aside(b) || b.y - a.y || a.x - b.x),
  );
  const best = options
    .sort((a, b) => a.shrink - b.shrink || a.block - b.block)
    .find(({ x, y, size }) => {
      const around = {
        x: x - clearance,
        y: y - clearance,
        width: size.width + 2 * clearance,
        height: size.height + 2 * clearance,
      };
      return !taken.some((box) => overlap(box, around));
    });
  return best ?? { x: from.x, y: extent.height + clearance, block: 0 };
}

const reach = (extent: Size, at: Point, block: Size): Size => ({
  width: Math.max(extent.width, at.x + block.width),
  height: Math.max(extent.height, at.y + block.height),
});

/** All places from the paper's corner to just below what has a place, and as far right as the frame is wide. */
function places(
  block: Size,
  extent: Size,
  frame: Size,
  from: Point,
): (Point & { right: number })[] {
  const right = Math.max(from.x, Math.max(extent.width, frame.width) - block.width);
  const found: (Point & { right: number })[] = [];
  for (let x = from.x; x <= right; x += step)
    for (let y = from.y; y <= extent.height + clearance + step; y += step)
      found.push({ x, y, right });
  return found;
}
