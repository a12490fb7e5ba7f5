import type { Design, Edit } from '../design/index.js';

/** One thing a block wants to know before it wires itself; the value is what it would take unasked. */
export type Ask =
  | {
      id: string;
      label: string;
      type: 'pick';
      options: { value: string; label: string }[];
      value: string;
    }
  | { id: string; label: string; type: 'number'; unit: 'V' | 'A' | 'Ω' | ''; value: number };

export type Answers = Readonly<Record<string, string | number>>;

/** What was wired, as one edit, and why with these values. */
export interface Built {
  edit: Edit;
  because: string[];
}

/** A stage that wires itself; afterwards it is parts and wires like any other. */
export interface Block {
  id: string;
  label: string;
  /** One line on what it is for. */
  summary: string;
  /** What a maker might type to find it. */
  words: readonly string[];
  /**
   * What to ask in this design.
   *
   * @param about id of the part it is wanted for, where one is selected
   */
  asks: (design: Design, about?: string) => Ask[];
  /** @throws CannotBuild with reason and cure */
  build: (design: Design, answers: Answers) => Built;
}

/** A block that the design as it stands has no place for; the message says what is missing. */
export class CannotBuild extends Error {
  override readonly name = 'CannotBuild';
}

/** What a block would wire unasked. */
export const usualAnswers = (asks: readonly Ask[]): Record<string, string | number> =>
  Object.fromEntries(asks.map((a) => [a.id, a.value]));
