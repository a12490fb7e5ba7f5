import type { Problem } from '../catalog/index.js';

/** A problem as one line: place, reason, cure. */
export const problemText = ({ place, reason, cure }: Problem): string =>
  `${place}: ${reason}. ${cure}`.trim();
