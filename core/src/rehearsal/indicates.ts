import { kindOf } from '../catalog/index.js';
import type { Part } from '../design/index.js';

/** Whether that a part acts tells nothing by itself: the design says so, or its kind. */
export const indicates = (part: Part | undefined): boolean =>
  !!part && (part.indicates ?? kindOf(part).acts?.indicates ?? false);
