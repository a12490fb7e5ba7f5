import { kindOf } from '../catalog/index.js';
import { terminalRef } from '../design/index.js';
import type { SlipKind } from './slip.js';
import { swapped } from './swapped.js';

/** A part with two terminals put in the wrong way round. */
export const turned: SlipKind = {
  id: 'turned',
  label: 'A part turned round',
  undoesItself: true,
  all: (design) =>
    design.parts.flatMap((part) => {
      const { terminals } = kindOf(part);
      const [a, b, ...more] = terminals.map((t) => terminalRef(part.id, t.id));
      if (a === undefined || b === undefined || more.length > 0) return [];
      return [
        {
          says: `${part.id} turned round`,
          label: `Turn ${part.id} round`,
          undoes: `${part.name} is the wrong way round`,
          about: [part.id],
          edit: swapped(design, a, b).edit,
        },
      ];
    }),
};
