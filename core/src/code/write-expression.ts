import type { Expression, Sign, Type } from './code.js';

/** How a language writes values. */
export interface Spelling {
  signs: Readonly<Record<Sign, { written: string; binds: number }>>;
  name(name: string): string;
  bool(value: boolean): string;
  number(value: Extract<Expression, { is: 'number' }>): string;
  text(value: string): string;
  /** How long ago a moment was; as strongly bound as a difference, or tighter. */
  since(moment: string): { written: string; binds: number };
  choice(when: string, then: string, otherwise: string): { written: string; binds: number };
  as(type: Type, value: Piece): Piece;
  /** Whether a value between others is set in brackets although it binds tightly enough: compilers warn of some. */
  brackets(inner: Sign, outer: Sign): boolean;
}

/** Binds more tightly than any sign. */
export const tight = 100;
export interface Piece {
  written: string;
  binds: number;
  sign?: Sign;
}

/** A value as a language writes it. */
export const writeExpression = (spelling: Spelling, of: Expression): string =>
  piece(spelling, of).written;

/** The operands of signs that are all alike, each as it stands between them; undefined for another value. */
export function operands(
  spelling: Spelling,
  of: Expression,
): { sign: string; written: string[] } | undefined {
  if (of.is !== 'signs' || (of.sign !== 'and' && of.sign !== 'or')) return undefined;
  const { sign } = of;
  return {
    sign: spelling.signs[sign].written,
    written: of.of.map((e) => within(spelling, piece(spelling, e), sign, false)),
  };
}

function piece(spelling: Spelling, of: Expression): Piece {
  const write = (e: Expression): string => piece(spelling, e).written;
  switch (of.is) {
    case 'name':
      return { written: spelling.name(of.name), binds: tight };
    case 'number':
      return {
        written: spelling.number(of),
        binds: of.value < 0 ? spelling.signs.minus.binds : tight,
      };
    case 'bool':
      return { written: spelling.bool(of.value), binds: tight };
    case 'text':
      return { written: spelling.text(of.value), binds: tight };
    case 'call': {
      const called = of.brought ? of.name : spelling.name(of.name);
      return { written: `${called}(${of.of.map(write).join(', ')})`, binds: tight };
    }
    case 'item':
      return { written: `${spelling.name(of.list)}[${write(of.at)}]`, binds: tight };
    case 'since':
      return spelling.since(write(of.moment));
    case 'as':
      return spelling.as(of.type, piece(spelling, of.value));
    case 'choice':
      return spelling.choice(...choiceParts(spelling, of));
    case 'signs':
      return signsPiece(spelling, of);
  }
}

function choiceParts(
  spelling: Spelling,
  { when, then, otherwise }: Extract<Expression, { is: 'choice' }>,
): [string, string, string] {
  const loose = spelling.signs.or.binds;
  const part = (e: Expression): string => {
    const { written, binds } = piece(spelling, e);
    return binds < loose ? `(${written})` : written;
  };
  return [part(when), part(then), part(otherwise)];
}

function signsPiece(spelling: Spelling, { sign, of }: Extract<Expression, { is: 'signs' }>): Piece {
  const { written, binds } = spelling.signs[sign];
  const [first, ...others] = of.map((e) => piece(spelling, e));
  if (!first) throw new RangeError(`Nothing stands beside ${sign}.`);
  if (sign === 'not' || sign === 'minus')
    return { written: `${written}${within(spelling, first, sign, true)}`, binds, sign };
  const all = [
    within(spelling, first, sign, false),
    ...others.map((other) => within(spelling, other, sign, !isFree(sign))),
  ];
  return { written: all.join(` ${written} `), binds, sign };
}

/** Whether it does not matter how such signs in a row are grouped. */
const isFree = (sign: Sign): boolean =>
  sign === 'and' || sign === 'or' || sign === '+' || sign === '*';

/** A value beside a sign, in brackets where it would fall apart. */
function within(spelling: Spelling, inner: Piece, outer: Sign, strict: boolean): string {
  const { binds } = spelling.signs[outer];
  const falls = inner.binds < binds || (strict && inner.binds === binds && outer !== 'not');
  const bracketed = falls || (inner.sign !== undefined && spelling.brackets(inner.sign, outer));
  return bracketed ? `(${inner.written})` : inner.written;
}
