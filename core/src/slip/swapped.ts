import type { Design, TerminalRef } from '../design/index.js';
import { Draft, swapEnds } from '../wiring/index.js';
import type { Slip } from './slip.js';

/** Everything wired to two terminals exchanged. */
export function swapped(design: Design, a: TerminalRef, b: TerminalRef): Slip {
  const draft = new Draft(design);
  swapEnds(draft, a, b);
  const both = `${a} and ${b}`;
  return {
    says: `${both} exchanged`,
    label: `Exchange ${both}`,
    undoes: `${both} are exchanged`,
    about: [a, b],
    edit: draft.edit(`exchange ${both}`),
  };
}

/** Every pair of a list, each once. */
export const pairs = <T>(items: readonly T[]): (readonly [T, T])[] =>
  items.flatMap((a, i) => items.slice(i + 1).map((b) => [a, b] as const));
