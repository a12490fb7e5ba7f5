import { kindOf } from '../catalog/index.js';
import { terminalRef } from '../design/index.js';
import { wiringOf } from '../wiring/index.js';
import type { SlipKind } from './slip.js';
import { pairs, swapped } from './swapped.js';

/** NO for NC of a relay, or either for COM. */
export const contacts: SlipKind = {
  id: 'contacts',
  label: 'Two contacts of a relay exchanged',
  undoesItself: true,
  all: (design) => {
    const wiring = wiringOf(design);
    return design.parts.flatMap((part) =>
      (kindOf(part).contacts ?? []).flatMap(({ terminals }) =>
        pairs(terminals.map((t) => terminalRef(part.id, t)))
          .filter(([a, b]) => wiring.wired(a) || wiring.wired(b))
          .map(([a, b]) => swapped(design, a, b)),
      ),
    );
  },
};
