import type { Declaration, Expression, Section, Statement, Written } from '../code/index.js';
import type { PartKind } from '../catalog/index.js';
import type { Channel, Design, Output, Part } from '../design/index.js';
import type { AskedAt } from '../catalog/index.js';
import type { KeptValue } from './kept-code.js';
import type { Memory } from './memory.js';
import type { Pace } from './pace.js';
import type { Takes } from './part-code.js';

/** How the program on a board takes readings, drives pins and tells things: what differs from board to board. */
export interface Board {
  /** How kinds of part name it that take its programs. */
  id: NonNullable<PartKind['program']>;
  label: string;
  language: 'cpp' | 'c' | 'python';
  /** Left out where there is more than programs take. */
  memory?: Memory;
  /** Left out where it is not known. */
  pace?: Pace;
  /** After how long without a sign of life it begins anew at most, s; left out where nothing watches over it. */
  watches?: number;
  /** How it rests while its program sleeps; `edges` where any is noted as it comes. */
  rests(edges: boolean): 'asleep' | 'idle' | 'awake';
  /** Whether it knows the time of day by itself. */
  knowsTime: boolean;
  /** Name of the file of a program, beginning with a name for the design. */
  file(stem: string): string;
  /** Files that stand beside it; `text` is the program. */
  beside(stem: string, text: string): readonly { path: string; text: string }[];
  /** How it is loaded, step by step: what to do, what is seen then, and what to look for if it is not. */
  load(file: string): readonly string[];
  /** Name of a pin in a program, as "A0" or "2". */
  pin(terminal: string): string;
  /** Counts of a converter at a pin that is called so; left out where there is none. */
  readAnalogue?(pin: Expression): Expression;
  /** Whether a digital pin is high. */
  readHigh(pin: Expression): Expression;
  /** How it takes numbers from parts that answer otherwise. */
  takes?: Takes;
  writeHigh(pin: Expression, high: Expression): Statement;
  /** e^x − 1, also where x is small. */
  lessOne(of: Expression): Expression;
  /** A pin that is on for a share of the time, 0 … 1; left out where pins only switch. */
  writeShare?(pin: Expression, share: Expression): Statement;
  /** Says that something has happened: what kind of thing, its name, and what of it. */
  tell(kind: 'notice' | 'rule' | 'mode', of: string, told: Told): Statement;
  /** Sends by radio what a notice of a name tells; left out where there is none. */
  sends?(of: string, told: Told): Statement;
  /** Looks after the network, with a function `keepJoined`, where notices are sent or, `clock`, the time of day is asked for. */
  network?(design: Design, clock: boolean): Section;
  /** Hears lines and answers them, with a function `hear`; left out where nobody speaks to it. */
  talks?(parts: TalkParts): Section;
  /** Settings of the board itself, before those of the design. */
  settings?(part: Part): readonly Declaration[];
  /** Whether a program for it dims a pin that the board can dim, and notes an edge at one that can; left out where it does so at all of them. */
  dims?(terminal: string): boolean;
  notes?(terminal: string, edge: PinEdge): boolean;
  /** What stands before everything; `clock` where it asks for the time of day. */
  begins(design: Design, clock: boolean): Section;
  /** What outlasts a power cut, with functions `loadKept` and `saveKept`; `mark` tells what another program has kept apart. */
  keeps(values: readonly KeptValue[], mark: number): Section;
  /** What is done once at the start. */
  starts(parts: Starts): Section;
  /** What is done over and over: reads the clock, then makes a pass. */
  goesRound(parts: Round): Section;
  write(sections: readonly Section[]): Written;
}

/** A text, a whole number, or one with a fraction. */
export type Told = { text: Expression } | { count: Expression } | { reading: Expression };

/** What a board is asked for over its serial line. */
export interface TalkParts {
  title: string;
  /** Whether a watchdog wants signs of life. */
  watched: boolean;
  /** By their names, the pins as they are called on the board, and the settings that hold them. */
  channels: readonly TalkChannel[];
  outputs: readonly { name: string; pin: string; high: boolean; dimmed: boolean }[];
}

/** A channel as it is told: `reads` is the function that takes a number from a part, where it does. */
export interface TalkChannel {
  name: string;
  label: string;
  pin: string;
  digital: boolean;
  reads?: string;
}

/** What is done over and over. */
export interface Round {
  /** After how long without a sign of life it begins anew, s. */
  watchdog?: number;
  sleeps: boolean;
  /** Whether any edge is noted as it comes. */
  edges: boolean;
  hears: boolean;
  /** Whether it looks after a network, whether notices go there, and whether the time comes from there. */
  joins: boolean;
  sends: boolean;
  asks: boolean;
  /** How long before it wakes sensors are fed, ms. */
  lead: number;
}

/** How a pin turns that is noted. */
export type PinEdge = Exclude<NonNullable<Channel['edge']>, 'low'>;

/** How the pin of a channel turns when it reads at once: to be read as long as it is low begins as it falls. */
export const pinEdge = (edge: NonNullable<Channel['edge']>): PinEdge =>
  edge === 'low' ? 'falling' : edge;

/** A pin by its setting and by its terminal, and what is called as it turns. */
export interface WatchedPin {
  pin: string;
  terminal: string;
  edge: PinEdge;
  notes: string;
}

/** What is to be made ready at the start. */
export interface Starts {
  /** After how long without a sign of life it begins anew, s. */
  watchdog?: number;
  /** Whether it asks for the time of day. */
  clock: boolean;
  /** Whether it tells anything. */
  tells: boolean;
  /** Whether anything outlasts a power cut. */
  keeps: boolean;
  /** The function that is called when all is ready, where there is one. */
  last?: string;
  /** The part that the program is for, and what its pins are called. */
  part: Part;
  pin: Board['pin'];
  analogue: readonly { pin: string }[];
  /** How channels take numbers from parts, with the names of their settings by what ends them. */
  asked: readonly { by: AskedAt; pins: ReadonlyMap<string, string> }[];
  inputs: readonly { pin: string; pullUp: boolean }[];
  outputs: readonly { pin: string; output: Output; dimmed: boolean }[];
  sleeps: boolean;
  /** Pins that are watched as they turn, and the function that notes it. */
  edges: readonly WatchedPin[];
}
