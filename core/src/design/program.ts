import type { Condition } from '../condition/index.js';
import type { TerminalRef } from './types.js';

export type { Condition };

/** What runs on the controller, as data. What each field means, pass by pass, is written in docs/rules.md. */

/** A set of modes of which one holds at a time, such as off, leaving, armed, entering, alarm. */
export interface Machine {
  id: string;
  name: string;
  modes: Mode[];
  /** Mode id after a reset. */
  start: string;
  /** The last mode is kept across power cuts. */
  kept?: boolean;
  /** The first of those that leave a mode and are due is taken. */
  transitions: Transition[];
}

export interface Mode {
  id: string;
  name: string;
}

export interface Transition {
  /** Mode id; left out: from every other mode. */
  from?: string;
  to: string;
  /** Left out: whenever `after` has passed. */
  when?: Condition;
  /** Seconds the mode must have held. */
  after?: number;
  then?: Act[];
}

/** A whole number that the controller counts, kept between its limits. */
export interface Counter {
  id: string;
  name: string;
  start: number;
  least: number;
  most: number;
  /** Past one limit it goes on from the other, instead of staying there. */
  wraps?: boolean;
  /** Kept across power cuts. */
  kept?: boolean;
}

/** When something happens, what is done, for how long. */
export interface Rule {
  id: string;
  when: Condition;
  /** Must hold besides. */
  while?: Condition;
  /** Seconds it stays active after the condition has ceased. */
  hold: number;
  /** Seconds it is active at least, and at most. */
  atLeast?: number;
  atMost?: number;
  /** Seconds after its end in which it does not begin again. */
  lockOut?: number;
  /** It ends `hold` after it began, however often the condition comes again. */
  once?: boolean;
  /** Stays active until `until` holds or, without that, until a reset. */
  latch: boolean;
  until?: Condition;
  then: Action[];
}

/** Done once, when a rule begins or a transition is taken. */
export type Act =
  | { do: 'count'; counter: string; by: number }
  | { do: 'set'; counter: string; to: number }
  | { do: 'play'; sequence: string }
  | { do: 'stop'; sequence: string };

/** A rule drives outputs as long as it is active. */
export type Action = Act | { do: 'drive'; output: string; drive: Drive };

/** From 0 to 1: given, a counter's share of `of`, or a channel's reading between two counts. */
export type Amount =
  number | { counter: string; of: number } | { channel: string; from: number; to: number };

/** How an output is driven. */
export type Drive =
  | { as: 'on' }
  | { as: 'off' }
  | { as: 'level'; level: Amount }
  /** On and off in turn for so many seconds each; `times` over, then `pause` and again, or for good off. */
  | { as: 'pattern'; beats: number[]; times?: number | { counter: string }; pause?: number };

export interface Output {
  id: string;
  name: string;
  pin: TerminalRef;
  /** The pin level that switches the load on. */
  active: 'high' | 'low';
  /** Feeds sensors: on while they are read and off in between, whatever the rules say. */
  feeds?: boolean;
  fade?: Fade;
}

/** An output goes from nothing to full in `up` seconds and back in `down`: its share of time on, or how bright the eye finds it. */
export interface Fade {
  up: number;
  down: number;
  curve: 'straight' | 'eye';
}

/** Outputs driven in the course of time, on several lanes at once. */
export interface Sequence {
  id: string;
  name: string;
  /** s. */
  length: number;
  /** How often it is played; 0: until it is stopped. */
  times: number;
  lanes: Lane[];
}

/** One output in a sequence: off between its blocks, and as `ambient` says while the sequence does not play. */
export interface Lane {
  output: string;
  ambient?: Drive;
  blocks: Block[];
}

export interface Block {
  /** Seconds from the start of the sequence. */
  start: number;
  length: number;
  drive: Drive;
}

/** Something told to others when it changes, and every `heartbeat` seconds even if not. */
export interface Notice {
  id: string;
  name: string;
  tells: Told;
  heartbeat?: number;
  /** Seconds between two at least. */
  gap?: number;
}

export type Told =
  | { tell: 'condition'; condition: Condition }
  | { tell: 'counter'; counter: string }
  | { tell: 'mode'; machine: string }
  /** A channel's filtered reading, when it has changed by so many counts. */
  | { tell: 'reading'; channel: string; by: number };

/** The controller wakes every so many seconds, stays awake so long, and longer while `unless` holds. */
export interface Sleep {
  every: number;
  awake: number;
  unless?: Condition;
}
