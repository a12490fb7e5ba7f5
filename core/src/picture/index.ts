export { overlap, stretchBoxes, type Box, type Point } from './boxes.js';
export { shorten, textWidth, valueWidth, wrap } from './text-width.js';
export { signs, widths } from './letter-widths.js';
export { firstLine, inset, lineStep } from './card-size.js';
export { exercise } from './elk-options.js';
export { foldsOf, noFolds, type Folds } from './folds.js';
export { freeCorner, shrink } from './free-corner.js';
export {
  layoutKey,
  pictureGraph,
  wiredAlike,
  type Card,
  type Line,
  type PictureGraph,
} from './graph.js';
export { islands, stack } from './islands.js';
export { labelBox, LabelPlaces } from './label-places.js';
export {
  layOutPicture,
  type LaidOutBefore,
  type LayOutBoxes,
  type PictureLayout,
  type PlacedCard,
} from './lay-out.js';
export { cardView, lineView, type CardView, type LineView, type Shown } from './views.js';
export { drawPicture, type Drawn } from './draw.js';
