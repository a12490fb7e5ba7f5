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
      const [plus, minus] = [comparator.plus, comparator.minus].map((t) => terminalRef(part.id, t));
      return [swapped(design, plus, minus)];
    }),
};
