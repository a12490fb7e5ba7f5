import { catalog, type FirstSensor } from '../catalog/index.js';

/** A usual way to begin: what must be noticed, and the kind of part that feels it. */
export interface Start extends FirstSensor {
  sensor: string;
}

/** What is most often asked of a first circuit, by what the kinds of part say of themselves; made to be changed. */
export const usualStarts: readonly Start[] = catalog.flatMap(({ kind, first }) =>
  first ? [{ sensor: kind, ...first }] : [],
);
