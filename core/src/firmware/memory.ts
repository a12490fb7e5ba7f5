import type { Declaration, Expression, Section, Statement, Type } from '../code/index.js';

/** Memory of a board, bytes. */
export interface Memory {
  ram: number;
  /** What the functions that the board brings take of it, and calls within calls at most. */
  others: number;
  sizeOf: Readonly<Record<Type, number>>;
  /** Flash: what there is, what every program takes, each statement or value, and numbers with a fraction. */
  flash: { has: number; base: number; step: number; reals: number };
}

/** Bytes of RAM that the variables, lists and texts of a program take; texts that are alike lie there once. */
export function ramOf(sections: readonly Section[], { sizeOf }: Memory): number {
  const all = sections.flatMap((s) => s.holds);
  const texts = new Set(all.flatMap((d) => (d.declares === 'function' ? textsIn(d.body) : [])));
  const sum = (of: readonly number[]): number => of.reduce((a, b) => a + b, 0);
  return sum(all.map((d) => bytesOf(d, sizeOf))) + sum([...texts].map((t) => byteLength(t) + 1));
}

function bytesOf(of: Declaration, sizeOf: Memory['sizeOf']): number {
  switch (of.declares) {
    case 'variable':
      return sizeOf[of.type];
    case 'list':
      return sizeOf[of.type] * of.length;
    case 'table':
      return sizeOf[of.type] * of.values.length;
    default:
      return 0;
  }
}

const byteLength = (text: string): number => new TextEncoder().encode(text).length;

const textsIn = (body: readonly Statement[]): string[] => body.flatMap(textsOf);

function textsOf(statement: Statement): string[] {
  switch (statement.do) {
    case 'set':
    case 'let':
      return within(statement.value);
    case 'if':
      return [
        ...within(statement.when),
        ...textsIn(statement.then),
        ...textsIn(statement.otherwise ?? []),
      ];
    case 'call':
      return within(statement.call);
    case 'return':
      return statement.value ? within(statement.value) : [];
    case 'count':
    case 'while':
      return textsIn(statement.body);
    case 'note':
      return [];
  }
}

function within(of: Expression): string[] {
  switch (of.is) {
    case 'text':
      return [of.value];
    case 'call':
    case 'signs':
      return of.of.flatMap(within);
    case 'choice':
      return [of.when, of.then, of.otherwise].flatMap(within);
    default:
      return [];
  }
}
