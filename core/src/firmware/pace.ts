import type { Declaration, Expression, Section, Statement, Type } from '../code/index.js';
import type { Board } from './board.js';

/** How fast a board works through its program. */
export interface Pace {
  /** µs for a step on a value of a type: to take it, to add or compare, to multiply, to divide. */
  steps: Readonly<
    Record<Type, readonly [take: number, add: number, multiply: number, divide: number]>
  >;
  /** µs to call a function, and for each statement. */
  call: number;
  statement: number;
  /** µs that functions of the board take, by their names. */
  brought: Readonly<Record<string, number>>;
  /** µs a letter that is told, after as many as are kept for sending. */
  letter: number;
  kept: number;
}

/** The longest that a pass may take, µs. */
export interface PassTime {
  /** All readings at once, the longer of two ways at each branch. */
  decides: number;
  /** How much longer it waits for the serial line where everything that can be told is told at once. */
  tells: number;
}

/** Rounds of a pass that are reckoned with: more only follow where rules set off each other. */
const rounds = 2;
/** What the steps leave out. */
const margin = 1.25;
/** How often what is repeated until something holds is taken to be. */
const turns = 1;

/**
 * The longest that a pass of a program may take. A reckoning, not a measurement: docs/firmware.md holds it against what was measured.
 *
 * @returns undefined where it is not known how fast the board is
 */
export function passTime(sections: readonly Section[], { pace }: Board): PassTime | undefined {
  if (!pace) return undefined;
  return new Reckoning(sections, pace).pass();
}

class Reckoning {
  private readonly functions = new Map<string, Extract<Declaration, { declares: 'function' }>>();
  private readonly types = new Map<string, Type>();
  private readonly numbers = new Map<string, number>();
  private readonly known = new Map<string, number>();
  private readonly lengths = new Map<string, number>();
  private letters = 0;

  constructor(
    sections: readonly Section[],
    private readonly pace: Pace,
  ) {
    for (const d of sections.flatMap((s) => s.holds)) {
      if (d.declares === 'function') this.functions.set(d.name, d);
      else if (d.declares !== 'lines') this.types.set(d.name, d.type);
      if (d.declares === 'constant' && d.value.is === 'number')
        this.numbers.set(d.name, d.value.value);
      if (d.declares === 'list') this.lengths.set(d.name, d.length);
    }
  }

  pass(): PassTime {
    const { letter, kept } = this.pace;
    const decides = this.called('makePass');
    return { decides: margin * decides, tells: letter * Math.max(0, this.letters - kept) };
  }

  private called(name: string): number {
    const before = this.known.get(name);
    if (before !== undefined) return before;
    const found = this.functions.get(name);
    if (!found) return 0;
    for (const { name: taken, type } of found.takes) this.types.set(taken, type);
    // What calls itself is not reckoned twice.
    this.known.set(name, 0);
    const time = this.all(found.body);
    this.known.set(name, time);
    return time;
  }

  private all(body: readonly Statement[]): number {
    let time = 0;
    for (const statement of body) time += this.one(statement);
    return time;
  }

  private one(statement: Statement): number {
    const { pace } = this;
    switch (statement.do) {
      case 'note':
        return 0;
      case 'let':
        this.types.set(statement.name, statement.type);
        return pace.statement + this.of(statement.value);
      case 'set':
        return pace.statement + this.of(statement.value) + this.of(statement.to);
      case 'call':
        return pace.statement + this.of(statement.call);
      case 'return':
        return pace.statement + (statement.value ? this.of(statement.value) : 0);
      case 'if':
        return (
          pace.statement +
          this.of(statement.when) +
          Math.max(this.all(statement.then), this.all(statement.otherwise ?? []))
        );
      case 'count':
        this.types.set(statement.name, 'int');
        return this.often(statement) * (4 * pace.statement + this.all(statement.body));
      case 'while': {
        const asks = this.of(statement.when);
        const many = /\brounds\b/.test(namesIn(statement.when)) ? rounds : turns;
        return (many + 1) * asks + many * this.all(statement.body);
      }
    }
  }

  /** How often a loop goes round: a number, a setting, or as many as the longest list holds that it goes through. */
  private often({ below, body }: Extract<Statement, { do: 'count' }>): number {
    if (below.is === 'number') return below.value;
    const setting = below.is === 'name' ? this.numbers.get(below.name) : undefined;
    if (setting !== undefined) return setting;
    const through = [...JSON.stringify(body).matchAll(/"list":"(\w+)"/g)];
    return Math.max(1, ...through.map(([, list = '']) => this.lengths.get(list) ?? 1));
  }

  private of(value: Expression): number {
    const { pace } = this;
    switch (value.is) {
      case 'number':
      case 'bool':
        return pace.steps.byte[0];
      case 'text':
        return pace.steps.int[0];
      case 'name':
        return pace.steps[this.typeOf(value)][0];
      case 'item':
        return pace.steps[this.typeOf(value)][0] + 2 * pace.steps.int[1] + this.of(value.at);
      case 'since':
        return this.of(value.moment) + pace.steps.moment[0] + pace.steps.moment[1];
      case 'as':
        return this.of(value.value) + pace.steps[value.type][1];
      case 'choice':
        return (
          this.of(value.when) +
          pace.statement +
          Math.max(this.of(value.then), this.of(value.otherwise))
        );
      case 'signs': {
        const [, add, multiply, divide] = pace.steps[this.widest(value.of)];
        const [, plain] = pace.steps.bool;
        const step = { '*': multiply, '/': divide, '%': divide, and: plain, or: plain, not: plain };
        const each = value.sign in step ? step[value.sign as keyof typeof step] : add;
        return this.sum(value.of) + each * Math.max(1, value.of.length - 1);
      }
      case 'call':
        return (
          this.sum(value.of) + (value.brought ? this.boardly(value) : this.program(value.name))
        );
    }
  }

  private program(name: string): number {
    return this.pace.call + this.called(name);
  }

  private boardly({ name, of }: Extract<Expression, { is: 'call' }>): number {
    if (/^tell/.test(name))
      this.letters += 30 + of.reduce((n, e) => n + (e.is === 'text' ? e.value.length : 8), 0);
    return this.pace.call + (this.pace.brought[name] ?? 0);
  }

  private sum(of: readonly Expression[]): number {
    return of.reduce((all, e) => all + this.of(e), 0);
  }

  private widest(of: readonly Expression[]): Type {
    const order: readonly Type[] = ['bool', 'byte', 'int', 'long', 'moment', 'real'];
    return of
      .map((e) => this.typeOf(e))
      .reduce((a, b) => (order.indexOf(a) > order.indexOf(b) ? a : b), 'bool');
  }

  private typeOf(value: Expression): Type {
    switch (value.is) {
      case 'number':
      case 'as':
        return value.type;
      case 'name':
        return value.name === 'now' ? 'moment' : (this.types.get(value.name) ?? 'int');
      case 'item':
        return this.types.get(value.list) ?? 'int';
      case 'since':
        return 'moment';
      case 'choice':
        return this.widest([value.then, value.otherwise]);
      case 'signs':
        return ['+', '-', '*', '/', '%', 'minus'].includes(value.sign)
          ? this.widest(value.of)
          : 'bool';
      case 'call':
        return value.brought ? 'long' : (this.functions.get(value.name)?.gives ?? 'int');
      case 'bool':
        return 'bool';
      case 'text':
        return 'int';
    }
  }
}

/** The names that a value asks for, one after the other. */
function namesIn(of: Expression): string {
  if (of.is === 'name') return of.name;
  return of.is === 'signs' ? of.of.map(namesIn).join(' ') : '';
}
