import fc from 'fast-check';
import {
  and,
  bool,
  choice,
  commented,
  name,
  Names,
  not,
  or,
  quoted,
  real,
  signs,
  snake,
  when,
  whole,
  writeCpp,
  type Expression,
} from './index.js';

const anyText = fc.oneof(
  fc.string({ unit: 'binary', maxLength: 30 }),
  fc.constantFrom('', '*/', 'while', 'Loop', 'now', '光', 'a\nb', '??/', '"', '\\', 'Überhöhe 2'),
);

describe('names', () => {
  it.each([
    ['Lower beam', 'lowerBeam', 'lower_beam'],
    ['Überhöhe', 'uberhohe', 'uberhohe'],
    ['Straße 7', 'strasse7', 'strasse7'],
    ['7 up', 'n7Up', 'n7_up'],
    ['while', 'while2', 'while2'],
    ['光センサー', 'c1', 'c1'],
    ['The beam across the slipway from the boathouse', 'theBeamAcrossTheSlipway', undefined],
  ])('%s is called %s', (text, camel, python) => {
    expect(new Names().make(text, 'c1')).toBe(camel);
    if (python) expect(snake(camel)).toBe(python);
  });

  it('are shared by no two, in none of the languages, and can be written in all', () => {
    fc.assert(
      fc.property(fc.array(anyText, { maxLength: 12 }), (texts) => {
        const names = new Names();
        const made = texts.flatMap((text, i) => {
          const base = names.make(text, `c${i}`);
          return [base, names.extend(base, 'Pin'), names.extend(base, 'Was')];
        });
        expect(new Set(made.map(snake)).size).toBe(made.length);
        for (const one of made) expect(one).toMatch(/^[a-z][A-Za-z0-9]*$/);
      }),
    );
  });
});

it('nothing that a maker writes ends a comment or goes on in the next line', () => {
  fc.assert(
    fc.property(anyText, (text) => {
      expect(commented(text)).not.toMatch(/[\p{Cc}\p{Zl}\p{Zp}\\]|\*\/|\/\*|\?\?/u);
    }),
  );
});

it('nothing that a maker writes ends a text', () => {
  fc.assert(
    fc.property(anyText, (text) => {
      const inside = quoted(text).slice(1, -1);
      expect(inside.replace(/\\[0-7]{3}/g, '')).not.toMatch(/["\\\p{Cc}]/u);
    }),
  );
});

/** Values of numbers and of yes and no, as deep as a rule would have them. */
const { number, truth } = fc.letrec<{ number: Expression; truth: Expression }>((tie) => ({
  number: fc.oneof(
    { maxDepth: 4 },
    fc.integer({ min: -9, max: 9 }).map((n) => whole(n)),
    fc.constantFrom(name('a'), name('b'), real(1.5)),
    fc
      .tuple(
        fc.constantFrom('+' as const, '-' as const, '*' as const),
        tie('number'),
        tie('number'),
      )
      .map(([sign, x, y]) => signs(sign, x, y)),
    tie('number').map((x) => signs('minus', x)),
    fc.tuple(tie('truth'), tie('number'), tie('number')).map(([c, x, y]) => choice(c, x, y)),
  ),
  truth: fc.oneof(
    { maxDepth: 4 },
    fc.boolean().map(bool),
    fc
      .tuple(
        fc.constantFrom('<' as const, '>=' as const, '==' as const, '!=' as const),
        tie('number'),
        tie('number'),
      )
      .map(([sign, x, y]) => signs(sign, x, y)),
    tie('truth').map(not),
    fc.array(tie('truth'), { minLength: 1, maxLength: 3 }).map((of) => and(...of)),
    fc.array(tie('truth'), { minLength: 1, maxLength: 3 }).map((of) => or(...of)),
  ),
}));
const named: Record<string, number> = { a: 3, b: -2 };

/** What a value is, worked out here. */
function worth(of: Expression): number | boolean {
  if (of.is === 'name') return named[of.name];
  if (of.is === 'number' || of.is === 'bool') return of.value;
  if (of.is === 'choice') return worth(of.when) ? worth(of.then) : worth(of.otherwise);
  if (of.is !== 'signs') throw new RangeError(of.is);
  const [x, y] = of.of.map((e) => Number(worth(e)));
  switch (of.sign) {
    case 'and':
      return of.of.every((e) => worth(e));
    case 'or':
      return of.of.some((e) => worth(e));
    case 'not':
      return x === 0;
    case 'minus':
      return -x;
    case '+':
      return x + y;
    case '-':
      return x - y;
    case '*':
      return x * y;
    case '<':
      return x < y;
    case '>=':
      return x >= y;
    case '==':
      return x === y;
    case '!=':
      return x !== y;
    default:
      throw new RangeError(of.sign);
  }
}

it('a value that is written and read back is worth the same: brackets stand where they have to', () => {
  fc.assert(
    fc.property(fc.oneof(number, truth), (of) => {
      const { text } = writeCpp([
        {
          title: '',
          says: [],
          holds: [{ declares: 'variable', name: 'x', type: 'real', value: of }],
        },
      ]);
      // These signs mean the same in another language that is at hand here.
      const written = /= ([^]*);/.exec(text)?.[1] ?? '';
      const read = new Function('a', 'b', `return ${written};`) as (
        a: number,
        b: number,
      ) => number | boolean;
      expect(Number(read(named['a'], named['b'])) + 0).toBe(Number(worth(of)) + 0);
    }),
    { numRuns: 500 },
  );
});

it('asks for nothing that is settled', () => {
  const call = [{ do: 'note', text: 'x' } as const];
  expect(when(bool(true), call)).toEqual(call);
  expect(when(bool(false), call)).toEqual([]);
  expect(when(not(not(name('a'))), call)).toEqual([{ do: 'if', when: name('a'), then: call }]);
  expect(not(signs('<', name('a'), name('b')))).toEqual(signs('>=', name('a'), name('b')));
});
