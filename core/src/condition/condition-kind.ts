import type { Expression } from '../code/index.js';
import type { CodeAt } from './code-at.js';
import type { Condition } from './condition.js';
import type { Field, FieldOf } from './field.js';
import type { Look, Memory, Seen } from './seen.js';

/** Calls things by their names. */
export interface Words {
  /** A part; in brackets where it is itself several that are joined. */
  part(condition: Condition): string;
  channel(id: string): string;
  counter(id: string): string;
  sequence(id: string): string;
  mode(machine: string, mode: string): string;
  /** "300 ms", "5 min". */
  time(seconds: number): string;
}

/** What is known where the world is looked through instead of played. */
export interface Told {
  holds(part: Condition): boolean;
  mode(machine: string): string | undefined;
  count(counter: string): number;
}

/** A mode of a chart. */
export interface ModeOf {
  machine: string;
  mode: string;
}

/** Who is asked why a condition did not hold, and answers with reasons of its own making. */
export interface Asked<R> {
  /** A part had to hold. */
  part(of: Condition): R[];
  /** So many of its parts had to hold. */
  some(of: readonly Condition[], n: number): R[];
  /** A part should not have held. */
  not(of: Condition): R[];
  channel(id: string): R[];
  mode(of: ModeOf): R[];
  /** A part had to hold for so long, s; `by` puts another time in its place. */
  lasting(of: Condition, seconds: number, by: (seconds: number) => Condition): R[];
  /** Two had to begin one after the other within so long, s; `by` puts another time in its place. */
  order(
    of: readonly [Condition, Condition],
    within: number,
    by: (within: number) => Condition,
  ): R[];
}

/** What a design has to name. */
export interface Things {
  channels: readonly { id: string }[];
  counters: readonly { id: string }[];
  machines: readonly { id: string; modes: readonly { id: string }[] }[];
  rules: readonly { id: string }[];
  sequences: readonly { id: string }[];
}

/** How a kind is offered: alone, or around another condition. */
export type Offer<C> =
  | {
      label: string;
      /** One to begin with; undefined while there is nothing that it could name. */
      alone(things: Things): C | undefined;
    }
  | { label: string; around(of: Condition, another: Condition): C };

/** Words of a sentence in which fields stand for what can be changed there. */
export type Token = string | { field: string };

/**
 * All that is to be known of one kind of condition. Whatever reads conditions asks this and knows no kind by name: the
 * interpreter, the file's shape, expressions, sentences, the editor, what goes with what is removed.
 */
export interface ConditionKind<C extends { is: string } = Condition, M extends Memory = Memory> {
  is: C['is'];
  /** In the order in which expressions give them. */
  fields: { readonly [F in Exclude<keyof C, 'is'>]: FieldOf<C[F]> } & Readonly<
    Record<string, Field>
  >;
  /** It holds at one moment only. */
  event?: true;
  /** It holds when its part does not, or ceases. */
  turns?: true;
  /** The number of its channel matters, not only the answer. */
  numeric?: true;
  look(condition: C, seen: Seen<M>): boolean | Look<M>;
  /** Whether it holds, where modes, counts and its parts tell that by themselves. */
  told?(condition: C, told: Told): boolean;
  /** Whether its parts let it hold, where it does not follow from them; those of the last part unless it says. */
  lets?(condition: C, holds: (part: Condition) => boolean): boolean;
  /** Why it did not hold; left out where nothing is known but that. */
  why?<R>(condition: C, asked: Asked<R>): R[];
  /** The channel whose answer alone it is. */
  answers?(condition: C): string;
  /** Counts of a counter around which its answer turns. */
  turnsAt?(condition: C): { counter: string; counts: readonly number[] };
  /** The modes of which any makes it hold, where it asks for nothing else. */
  modes?(
    condition: C,
    of: (part: Condition) => readonly ModeOf[] | undefined,
  ): readonly ModeOf[] | undefined;
  /** How long it may hold back after what it looks at, s. */
  waits?(condition: C): number;
  /** The same after some of its parts were taken out. */
  kept?(condition: C): C;
  /** What can never work in it, and the cure. */
  slip?(
    condition: C,
    every: (channel: string) => number,
  ): { reason: string; cure: string } | undefined;
  /** How a program for a board looks at it: the same as `look`. */
  code(condition: C, at: CodeAt): Expression;
  say(condition: C, words: Words): string;
  /** The sentence in which it is edited. */
  phrase(condition: C): readonly Token[];
  /** How it is written in an expression: a sign between or before its parts, or the name of a function. */
  written: { sign: '!' | '&&' | '||' } | { call: string };
  offer: Offer<C>;
}

/** Declares a kind of condition. */
export const defineCondition = <C extends { is: string }, M extends Memory = Memory>(
  kind: ConditionKind<C, M>,
): ConditionKind<C, M> => kind;
