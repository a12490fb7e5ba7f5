import type { Section } from '../code/index.js';
import type { Memory } from './memory.js';

/**
 * About how many bytes of flash a program takes, the functions of the board with it: so many a statement or value, more where there are
 * numbers with a fraction. Fitted to compiled programs, of which chip.spec.ts tells how far it is off.
 */
export function flashOf(sections: readonly Section[], { flash }: Memory): number {
  const text = JSON.stringify(sections.flatMap((s) => s.holds));
  const steps = (text.match(/"(is|do)":/g) ?? []).length;
  return Math.round(
    flash.base + flash.step * steps + (text.includes('"type":"real"') ? flash.reals : 0),
  );
}
