import type { Expression, Section, Statement, Written } from '../code/index.js';
import type { PartKind } from '../catalog/index.js';
import type { Channel, Design, Output, Part } from '../design/index.js';
import type { KeptValue } from './kept-code.js';

/** How the program on a board takes readings, drives pins and tells things: what differs from board to board. */
export interface Board {
  /** How kinds of part name it that take its programs. */
  id: NonNullable<PartKind['program']>;
  label: string;
  language: 'cpp' | 'python';
  /** Name of the file of a program, beginning with a name for the design. */
  file(stem: string): string;
  /** Files that stand beside it. */
  beside(stem: string): readonly { path: string; text: string }[];
  /** How it is loaded, step by step: what to do, what is seen then, and what to look for if it is not. */
  load(file: string): readonly string[];
  /** Name of a pin in a program, as "A0" or "2". */
  pin(terminal: string): string;
  /** Counts of a converter at a pin that is called so; left out where there is none. */
  readAnalogue?(pin: Expression): Expression;
  /** Whether a digital pin is high. */
  readHigh(pin: Expression): Expression;
  writeHigh(pin: Expression, high: Expression): Statement;
  /** A pin that is on for a share of the time, 0 … 1; left out where pins only switch. */
  writeShare?(pin: Expression, share: Expression): Statement;
  /** Says a notice: its name, and what it tells. */
  tell(notice: string, told: Told): Statement;
  /** What stands before everything: what the board wants, and the clock. */
  begins(design: Design): Section;
  /** What outlasts a power cut, with functions `loadKept` and `saveKept`; `mark` tells what another program has kept apart. */
  keeps(values: readonly KeptValue[], mark: number): Section;
  /** What is done once at the start. */
  starts(parts: Starts): Section;
  /** What is done over and over: reads the clock, then makes a pass. */
  goesRound(parts: { sleeps: boolean; edges: boolean }): Section;
  write(sections: readonly Section[]): Written;
}

export type Told = { text: Expression } | { number: Expression };

/** What is to be made ready at the start. */
export interface Starts {
  /** Whether it tells anything. */
  tells: boolean;
  /** Whether anything outlasts a power cut. */
  keeps: boolean;
  /** The part that the program is for. */
  part: Part;
  analogue: readonly { pin: string }[];
  inputs: readonly { pin: string; pullUp: boolean }[];
  outputs: readonly { pin: string; output: Output; dimmed: boolean }[];
  /** Channels that read on an edge, and the function that notes it. */
  edges: readonly { pin: string; channel: Channel; notes: string }[];
}
