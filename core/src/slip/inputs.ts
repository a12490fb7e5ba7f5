import { kindOf } from '../catalog/index.js';
import { terminalRef } from '../design/index.js';
import type { SlipKind } from './slip.js';
import { swapped } from './swapped.js';

/** The two inputs of a comparator taken for each other. */
export const inputs: SlipKind = {
  id: 'inputs',
  label: 'A comparator’s inputs exchanged',
  undoesItself: true,
  all: (design) =>
    design.parts.flatMap((part) => {
      const { comparator } = kindOf(part);
      if (!comparator) return [];
      const end = (terminal: string) => terminalRef(part.id, terminal);
      return [swapped(design, end(comparator.plus), end(comparator.minus))];
    }),
};
