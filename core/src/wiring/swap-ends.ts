import type { TerminalRef } from '../design/index.js';
import type { Draft } from './draft.js';

/** Exchanges everything wired to two terminals. */
export function swapEnds(draft: Draft, a: TerminalRef, b: TerminalRef): void {
  const moved = draft.design.wires.filter((w) => [w.from, w.to].some((e) => e === a || e === b));
  const other = (end: TerminalRef): TerminalRef => (end === a ? b : end === b ? a : end);
  for (const wire of moved) draft.make({ type: 'remove-wire', id: wire.id });
  for (const wire of moved) {
    draft.make({
      type: 'add-wire',
      wire: { ...wire, from: other(wire.from), to: other(wire.to) },
    });
  }
}
