import type { Design, Part, PinMode, TerminalRef } from '../design/index.js';
import { boardsOf, type Draft } from '../wiring/index.js';
import { railVolts, pinFor, railOf, supplyNear, wire } from './site.js';

/** A front end in the making. */
export interface Making {
  draft: Draft;
  part: Part;
  because: string[];
}

/** Joins a signal to a free pin that can be what is wanted; without a controller it is left open. */
export function toPin({ draft, because }: Making, signal: TerminalRef, mode: PinMode): void {
  if (boardsOf(draft.design).length === 0) {
    because.push('There is no controller here: the signal is left open for the next stage.');
    return;
  }
  const pin = pinFor(draft.design, { mode });
  wire(draft, signal, pin);
  draft.make({ type: 'set-pin', pin, mode });
  because.push(`${signal} goes to ${pin}, set up as ${mode}.`);
}

/** The supply a signal for the controller hangs on: the board's own, else the nearest to 5 V. */
export const railFor = (design: Design): TerminalRef => {
  const [board] = boardsOf(design);
  return board ? railOf(board) : supplyNear(design, 5).ref;
};
export const railVoltsFor = (design: Design): number => {
  const [board] = boardsOf(design);
  return board ? railVolts(board) : supplyNear(design, 5).volts;
};
