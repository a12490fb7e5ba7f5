import {
  ms,
  name,
  real,
  whole,
  type Declaration,
  type Expression,
  type Type,
} from '../code/index.js';
import type { Channel } from '../design/index.js';
import { conditionsOf } from '../logic/index.js';
import type { Board } from './board.js';
import { constant, variable, type ChannelNames, type Frame } from './frame.js';

/** What the part of a program about one channel is made of, as it is written. */
export class ChannelParts {
  readonly own: ChannelNames;
  readonly settings: Declaration[] = [];
  readonly holds: Declaration[] = [];
  readonly functions: Declaration[] = [];
  /** Its reading matters as a number, not only its answer. */
  readonly isNumber: boolean;

  constructor(
    protected readonly frame: Frame,
    protected readonly board: Board,
    readonly channel: Channel,
  ) {
    this.own = frame.channel(channel.id);
    this.isNumber = conditionsOf(frame.design).numbers.has(channel.id);
  }

  /** A name of its own that ends so. */
  made(end: string): string {
    return this.frame.names.extend(this.own.base, end);
  }

  /** A number at the top of the program. */
  setting(end: string, value: number, note?: string): Expression {
    const called = this.made(end);
    const type: Type = Number.isInteger(value)
      ? Math.abs(value) > 32_767
        ? 'long'
        : 'int'
      : 'real';
    const number = type === 'real' ? real(value) : whole(value, type);
    this.settings.push(constant(called, type, number, note));
    return name(called);
  }

  /** A time there, s. */
  time(end: string, seconds: number): Expression {
    const called = this.made(end);
    this.settings.push(constant(called, 'moment', ms(seconds), 'ms'));
    return name(called);
  }

  /** A variable that stays from one reading to the next. */
  remembers(end: string, type: Type, value?: Expression): Expression {
    const called = this.made(end);
    this.holds.push(variable(called, type, value));
    return name(called);
  }
}
