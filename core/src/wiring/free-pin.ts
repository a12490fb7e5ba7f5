import { kindOf, type Terminal } from '../catalog/index.js';
import {
  terminalRef,
  type Design,
  type Part,
  type PinMode,
  type PinSkill,
  type TerminalRef,
} from '../design/index.js';
import { wiringOf } from './wiring.js';

/** What is wanted of a pin. */
export interface PinNeed {
  mode: PinMode;
  skill?: PinSkill;
}

/** Whether a pin can be what is wanted. */
export const pinFits = (terminal: Terminal, { mode, skill }: PinNeed): boolean =>
  (terminal.modes ?? []).includes(mode) &&
  (skill === undefined || (terminal.can ?? []).includes(skill));

/** The controllers of a design, the one with most wires first. */
export function boardsOf(design: Design): Part[] {
  const wires = (part: Part): number =>
    design.wires.filter((w) => [w.from, w.to].some((e) => e.startsWith(`${part.id}.`))).length;
  return design.parts
    .filter((p) => kindOf(p).terminals.some((t) => t.role === 'pin'))
    .sort((a, b) => wires(b) - wires(a));
}

/** Whether nothing uses a pin yet. */
export function pinIsFree(design: Design, ref: TerminalRef): boolean {
  const used = [...design.controller.pins, ...design.channels, ...design.outputs];
  return !wiringOf(design).wired(ref) && !used.some((u) => u.pin === ref);
}

/**
 * A free pin of a board that fits, the one that can least besides: scarce skills are left for what needs them.
 * Pins that the board needs for itself are not given away.
 */
export function freePin(design: Design, board: Part, need: PinNeed): TerminalRef | undefined {
  const skills = (t: Terminal): number => (t.can ?? []).length + (t.modes ?? []).length;
  const found = kindOf(board)
    .terminals.filter((t) => t.role === 'pin' && !t.reserved && pinFits(t, need))
    .filter((t) => pinIsFree(design, terminalRef(board.id, t.id)))
    .sort((a, b) => skills(a) - skills(b))[0];
  return found && terminalRef(board.id, found.id);
}
