/** What a value is: a whole number of few bits or of many, a moment of the board's clock in ms, a number with a fraction. */
export type Type = 'bool' | 'byte' | 'int' | 'long' | 'moment' | 'real';

/** Signs between values, or before one. */
export type Sign =
  | 'and'
  | 'or'
  | 'not'
  | '=='
  | '!='
  | '<'
  | '<='
  | '>'
  | '>='
  | '+'
  | '-'
  | '*'
  | '/'
  | '%'
  | 'minus';

/** A value as it is worked out; in no language yet. */
export type Expression =
  | { is: 'name'; name: string }
  | { is: 'number'; value: number; type: Type }
  | { is: 'bool'; value: boolean }
  | { is: 'text'; value: string }
  | { is: 'signs'; sign: Sign; of: readonly Expression[] }
  /** A function of the program, or one that the board brings: those are written as they are. */
  | { is: 'call'; name: string; of: readonly Expression[]; brought?: true }
  | { is: 'item'; list: string; at: Expression }
  | { is: 'choice'; when: Expression; then: Expression; otherwise: Expression }
  /** How long ago a moment was, ms. */
  | { is: 'since'; moment: Expression }
  /** A whole number as one with a fraction, or the other way about: then rounded down. */
  | { is: 'as'; type: Type; value: Expression };

export type Statement =
  | { do: 'set'; to: Expression; value: Expression }
  /** A value of its own that stays as it is, or one that changes. */
  | { do: 'let'; name: string; type: Type; value: Expression; changes?: true }
  | { do: 'if'; when: Expression; then: readonly Statement[]; otherwise?: readonly Statement[] }
  | { do: 'call'; call: Expression }
  | { do: 'return'; value?: Expression }
  /** From 0 up to but not at a number. */
  | { do: 'count'; name: string; below: Expression; body: readonly Statement[] }
  | { do: 'while'; when: Expression; body: readonly Statement[] }
  | { do: 'note'; text: string };

/** Something that stands by itself, with what is said of it. */
export type Declaration = { note?: string } & (
  | { declares: 'constant'; name: string; type: Type; value: Expression }
  /** One that is `interrupted` changes while other lines run. */
  | { declares: 'variable'; name: string; type: Type; value: Expression; interrupted?: true }
  /** A list of so many values that change; all begin at nothing. */
  | { declares: 'list'; name: string; type: Type; length: number }
  /** A list that stays as it is. */
  | { declares: 'table'; name: string; type: Type; values: readonly number[] }
  | {
      declares: 'function';
      name: string;
      takes: readonly { name: string; type: Type }[];
      gives?: Type;
      body: readonly Statement[];
      /** It is called while other lines run. */
      interrupts?: true;
    }
  /** Lines that the board wants as they are. */
  | { declares: 'lines'; lines: readonly string[] }
);

export type FunctionDeclaration = Extract<Declaration, { declares: 'function' }>;

/** A part of a program about one thing, with its heading. */
export interface Section {
  title: string;
  /** Id of what of the design it is about. */
  about?: string;
  says: readonly string[];
  holds: readonly Declaration[];
}

/** The lines of a section, from the first to the last, counted from 1. */
export interface Span {
  title: string;
  /** What it says first, as the sentence of a rule. */
  says?: string;
  /** Id of what of the design it is about. */
  about?: string;
  from: number;
  to: number;
}

/** The text of a program, with its sections in their order. */
export interface Written {
  text: string;
  spans: readonly Span[];
}

export const name = (of: string): Expression => ({ is: 'name', name: of });
export const bool = (value: boolean): Expression => ({ is: 'bool', value });
export const whole = (value: number, type: Type = 'int'): Expression => ({
  is: 'number',
  value,
  type,
});
export const real = (value: number): Expression => ({ is: 'number', value, type: 'real' });
/** A length of time, s, as the clock counts it. */
export const ms = (seconds: number): Expression => whole(milliseconds(seconds), 'moment');
/** Whole milliseconds nearest to a time, s. */
export const milliseconds = (seconds: number): number => Math.round(seconds * 1000);
export const since = (moment: Expression): Expression => ({ is: 'since', moment });
/** Whether so long has passed since a moment, s; always where that is no time at all. */
export const lasted = (moment: Expression, seconds: number): Expression =>
  milliseconds(seconds) === 0 ? bool(true) : signs('>=', since(moment), ms(seconds));
export const signs = (sign: Sign, ...of: readonly Expression[]): Expression => ({
  is: 'signs',
  sign,
  of,
});
export const call = (of: string, ...values: readonly Expression[]): Expression => ({
  is: 'call',
  name: of,
  of: values,
});
export const brought = (of: string, ...values: readonly Expression[]): Expression => ({
  is: 'call',
  name: of,
  of: values,
  brought: true,
});
export const item = (list: string, at: Expression): Expression => ({ is: 'item', list, at });
/** One of two values; where it is known which, that one. */
export const choice = (when: Expression, then: Expression, otherwise: Expression): Expression =>
  when.is === 'bool' ? (when.value ? then : otherwise) : { is: 'choice', when, then, otherwise };
export const as = (type: Type, value: Expression): Expression => ({ is: 'as', type, value });

/** Comparisons and their opposites. */
const opposites: Partial<Record<Sign, Sign>> = {
  '==': '!=',
  '!=': '==',
  '<': '>=',
  '>=': '<',
  '>': '<=',
  '<=': '>',
};

/** The opposite; of an opposite what it was. */
export function not(of: Expression): Expression {
  if (of.is === 'bool') return bool(!of.value);
  if (of.is !== 'signs') return signs('not', of);
  const opposite = opposites[of.sign];
  if (opposite) return signs(opposite, ...of.of);
  return of.sign === 'not' && of.of[0] ? of.of[0] : signs('not', of);
}

/** All of them; what always holds is left out. */
export function and(...of: readonly Expression[]): Expression {
  if (of.some((e) => e.is === 'bool' && !e.value)) return bool(false);
  const left = of.filter((e) => e.is !== 'bool');
  return left.length > 1 ? signs('and', ...left) : (left[0] ?? bool(true));
}

/** Any of them; what never holds is left out. */
export function or(...of: readonly Expression[]): Expression {
  if (of.some((e) => e.is === 'bool' && e.value)) return bool(true);
  const left = of.filter((e) => e.is !== 'bool');
  return left.length > 1 ? signs('or', ...left) : (left[0] ?? bool(false));
}

export const set = (to: string | Expression, value: Expression): Statement => ({
  do: 'set',
  to: typeof to === 'string' ? name(to) : to,
  value,
});

/** Does something where it is so; what is always so is not asked, what never is is left out. */
export function when(
  so: Expression,
  then: readonly Statement[],
  otherwise: readonly Statement[] = [],
): Statement[] {
  if (so.is === 'bool') return [...(so.value ? then : otherwise)];
  if (then.length === 0) return otherwise.length > 0 ? when(not(so), otherwise) : [];
  return [{ do: 'if', when: so, then, ...(otherwise.length > 0 ? { otherwise } : {}) }];
}

/** Whether a value asks for something by its name. */
export function mentions(of: Expression, called: string): boolean {
  switch (of.is) {
    case 'name':
      return of.name === called;
    case 'signs':
    case 'call':
      return of.of.some((e) => mentions(e, called));
    case 'item':
      return of.list === called || mentions(of.at, called);
    case 'choice':
      return [of.when, of.then, of.otherwise].some((e) => mentions(e, called));
    case 'since':
      return mentions(of.moment, called);
    case 'as':
      return mentions(of.value, called);
    default:
      return false;
  }
}
