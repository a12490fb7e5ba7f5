import type { Design } from '@yurei/core/design';
import { drawPicture, type LayOutBoxes } from '@yurei/core/picture';
import { oscillates, oscillations, snapshot } from '@yurei/core/rehearsal';
import elk from 'elkjs/lib/elk.bundled.js';

/** Its types know nothing of ES modules. */
const Layouter = elk as unknown as new () => { layout: LayOutBoxes };

/**
 * The picture of a design at rest, as an SVG file.
 *
 * @param faces rules `@font-face` that bring its letters along
 */
export function pictureOf(design: Design, faces?: string): Promise<string> {
  const at = snapshot(design, design.scenes[0], 0);
  const swings = oscillates(design, at) ? oscillations(design, at.stimulus) : {};
  const boxes = new Layouter();
  const drawn = { design, snapshot: at, oscillations: swings };
  return drawPicture(drawn, (root) => boxes.layout(root), faces);
}
