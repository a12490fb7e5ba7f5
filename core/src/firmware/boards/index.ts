import { kindOf, type PartKind } from '../../catalog/index.js';
import type { Design, Part } from '../../design/index.js';
import type { Board } from '../board.js';
import { chipBoard } from './chip-board.js';
import { eightBitBoard } from './eight-bit-board.js';
import { radioBoard } from './radio-board.js';
import { radioBoardCpp } from './radio-board-cpp.js';
import { smallComputer } from './small-computer.js';

/** The boards that programs are written for. */
export const boards: Readonly<Record<NonNullable<PartKind['program']>, Board>> = {
  '8-bit board': eightBitBoard,
  '40-pin chip': chipBoard,
  'radio board': radioBoard,
  'small computer': smallComputer,
};

/** Other languages in which programs for them are written. */
const others: Partial<Record<keyof typeof boards, readonly Board[]>> = {
  'radio board': [radioBoardCpp],
};

/** What a program of a design is for, or why there is none. */
export type Target =
  /** `boards` are all languages that it may be written in, the usual one first. */
  { board: Board; boards: readonly Board[]; part: Part } | { reason: string; cure: string };

/** The board of a design. */
export function boardOf(design: Design): Target {
  const [part, ...more] = design.parts.filter((p) => kindOf(p).program);
  if (!part) return without(design);
  if (more.length > 0) {
    const named = [part, ...more].map((p) => p.name).join(', ');
    return {
      reason: `Several parts take a program: ${named}`,
      cure: 'A design holds the program of one: make a design for each.',
    };
  }
  const { program } = kindOf(part);
  if (!program) return without(design);
  const board = boards[program];
  return { board, boards: [board, ...(others[program] ?? [])], part };
}

const without = ({ parts }: Design): Target =>
  parts.length === 0
    ? { reason: 'Nothing is wired yet', cure: 'Put parts on the bench in Wire.' }
    : {
        reason: 'There is no controller, so there is nothing to load',
        cure: 'The circuit decides by itself as soon as it has power: what acts is told in Act.',
      };
