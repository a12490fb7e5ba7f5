import type { Expression, Statement, Type } from '../code/index.js';

/** A program that is being written, as one part of a condition sees it. */
export interface CodeAt {
  /** Whether each of its own parts holds. */
  parts: readonly Expression[];
  channel(id: string): ChannelCode;
  counter(id: string): Expression;
  inMode(machine: string, mode: string): Expression;
  isActive(rule: string): Expression;
  isPlayed(sequence: string): Expression;
  /** Time of day, ms after midnight. */
  clock: Expression;
  now: Expression;
  /** What is remembered from one look to the next, by a name that ends so. */
  remember(end: string, type: Type, begins: Expression): Expression;
  /** So many values of that sort. */
  list(end: string, type: Type, length: number): string;
  /** A value that is worked out once in this look; one that is a name already stays as it is. */
  once(end: string, value: Expression): Expression;
  /** Done as it is looked at, in this order. */
  first(...statements: readonly Statement[]): void;
}

/** What a program knows of a channel. */
export interface ChannelCode {
  answers: Expression;
  /** The filtered reading, counts. */
  value: Expression;
  /** Whether there has been a reading. */
  isRead: Expression;
  /** When the last one was taken. */
  readAt: Expression;
  type: Type;
  /** Period of its readings, s. */
  every: number;
}
