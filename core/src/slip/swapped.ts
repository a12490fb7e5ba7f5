import type { Design, TerminalRef } from '../design/index.js';
import { Draft, swapEnds } from '../wiring/index.js';
import type { Slip } from './slip.js';

/** Everything wired to two terminals exchanged. */
export function swapped(design: Design, a: TerminalRef, b: TerminalRef, says: string): Slip {
  const draft = new Draft(design);
  swapEnds(draft, a, b);
  return { says, about: [a, b], edit: draft.edit(says) };
}

/** Every pair of a list, each once. */
export const pairs = <T>(items: readonly T[]): (readonly [T, T])[] =>
  items.flatMap((a, i) => items.slice(i + 1).map((b) => [a, b] as const));
