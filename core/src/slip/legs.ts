import { kindOf } from '../catalog/index.js';
import { terminalRef, type Part } from '../design/index.js';
import { wiringOf, type Wiring } from '../wiring/index.js';
import type { SlipKind } from './slip.js';
import { pairs, swapped } from './swapped.js';

/** Up to so many legs any two are taken for each other; of more, only neighbours. */
const fewLegs = 4;

/** Pairs of legs of a part that are taken for each other. */
function confused(part: Part, wiring: Wiring): (readonly [string, string])[] {
  const legs = kindOf(part)
    .terminals.filter((t) => t.role !== 'pin')
    .map((t) => terminalRef(part.id, t.id));
  const all =
    legs.length <= fewLegs
      ? pairs(legs)
      : legs.slice(1).map((leg, i) => [legs[i] ?? leg, leg] as const);
  return all.filter(([a, b]) => !wiring.same(a, b) && (wiring.wired(a) || wiring.wired(b)));
}

/** Two legs of a part with three or more taken for each other: a transistor's, a module's VCC and OUT. */
export const legs: SlipKind = {
  id: 'legs',
  label: 'Two legs of a part exchanged',
  undoesItself: true,
  all: (design) => {
    const wiring = wiringOf(design);
    return design.parts
      .filter((part) => kindOf(part).terminals.length > 2)
      .flatMap((part) => confused(part, wiring).map(([a, b]) => swapped(design, a, b)));
  },
};
