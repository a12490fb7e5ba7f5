import { kindOf } from '../catalog/index.js';
import { terminalRef, type Design, type TerminalRef } from '../design/index.js';
import { wiringOf } from '../wiring/index.js';
import type { SlipKind } from './slip.js';
import { swapped } from './swapped.js';

/** Each used pin of a controller with the next one in use, the last with the first. */
const neighbours = (used: readonly TerminalRef[]): (readonly [TerminalRef, TerminalRef])[] =>
  // Of two there is one pair, not two.
  (used.length === 2 ? used.slice(0, 1) : used).map(
    (pin, i) => [pin, used[(i + 1) % used.length] ?? pin] as const,
  );

function usedPins(design: Design): TerminalRef[][] {
  const wiring = wiringOf(design);
  return design.parts.map((part) =>
    kindOf(part)
      .terminals.filter((t) => t.role === 'pin')
      .map((t) => terminalRef(part.id, t.id))
      .filter((ref) => wiring.wired(ref)),
  );
}

/** The wires of two pins of a controller exchanged. */
export const pins: SlipKind = {
  id: 'pins',
  label: 'Two pins of the controller exchanged',
  undoesItself: true,
  all: (design) =>
    usedPins(design)
      .filter((used) => used.length > 1)
      .flatMap(neighbours)
      .map(([a, b]) => swapped(design, a, b)),
};
