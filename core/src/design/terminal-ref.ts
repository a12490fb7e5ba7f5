import type { TerminalRef } from './types.js';

/** Joins a part id and a terminal id: ("R1", "a") → "R1.a". */
export const terminalRef = (part: string, terminal: string): TerminalRef => `${part}.${terminal}`;

/** Splits "R1.a" into its part and terminal; a reference without a point has an empty terminal. */
export function splitRef(ref: TerminalRef): { part: string; terminal: string } {
  const dot = ref.indexOf('.');
  return dot < 0
    ? { part: ref, terminal: '' }
    : { part: ref.slice(0, dot), terminal: ref.slice(dot + 1) };
}
