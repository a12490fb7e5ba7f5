import type {
  Declaration,
  Expression,
  FunctionDeclaration,
  Section,
  Sign,
  Statement,
  Type,
  Written,
} from './code.js';
import { Page, width } from './page.js';
import { quoted } from './texts.js';
import { operands, tight, writeExpression, type Spelling } from './write-expression.js';

const types: Readonly<Record<Type, string>> = {
  bool: 'bool',
  byte: 'uint8_t',
  int: 'int',
  long: 'int32_t',
  // Of 64 bits: with 32 the clock begins anew after 49 days.
  moment: 'uint64_t',
  real: 'double',
};

/** Shortest number that reads back as the same, with a point. */
const realText = (value: number): string => {
  const text = String(value);
  return /[.e]/.test(text) ? text : `${text}.0`;
};

/** Compilers take one within another for a mistake. */
const compares: ReadonlySet<Sign> = new Set(['==', '!=', '<', '<=', '>', '>=']);

/** What both languages write alike, but for how a value is made one of another type. */
const spellingWith = (as: Spelling['as']): Spelling => ({
  signs: {
    or: { written: '||', binds: 3 },
    and: { written: '&&', binds: 4 },
    '==': { written: '==', binds: 5 },
    '!=': { written: '!=', binds: 5 },
    '<': { written: '<', binds: 6 },
    '<=': { written: '<=', binds: 6 },
    '>': { written: '>', binds: 6 },
    '>=': { written: '>=', binds: 6 },
    '+': { written: '+', binds: 7 },
    '-': { written: '-', binds: 7 },
    '*': { written: '*', binds: 8 },
    '/': { written: '/', binds: 8 },
    '%': { written: '%', binds: 8 },
    not: { written: '!', binds: 9 },
    minus: { written: '-', binds: 9 },
  },
  name: (name) => name,
  bool: String,
  number: ({ value, type }) => (type === 'real' ? realText(value) : String(value)),
  text: quoted,
  since: (moment) => ({ written: `now - ${moment}`, binds: 7 }),
  choice: (when, then, otherwise) => ({ written: `${when} ? ${then} : ${otherwise}`, binds: 2 }),
  as,
  brackets: (inner, outer) =>
    (inner === 'and' && outer === 'or') || (compares.has(inner) && compares.has(outer)),
});

/** What stands before all variables, and before functions that interrupt others, where a board wants anything there. */
export interface Attributes {
  variable: string;
  interrupt: string;
}

/** What C and C++ write each in its own way. */
interface Dialect {
  as: Spelling['as'];
  constant(type: string, name: string, value: string): string;
  /** What stands between the brackets of a function that takes nothing. */
  nothing: string;
}

const cpp: Dialect = {
  as: (type, { written }) => ({ written: `${types[type]}(${written})`, binds: tight }),
  constant: (type, name, value) => `const ${type} ${name} = ${value};`,
  nothing: '',
};
const c: Dialect = {
  as: (type, { written }) => ({ written: `((${types[type]})(${written}))`, binds: tight }),
  // In C a constant that others are made of is none.
  constant: (_, name, value) => `#define ${name} ${/^[\w.]+$/.test(value) ? value : `(${value})`}`,
  nothing: 'void',
};

/** A program in C++, as boards with `setup` and `loop` take it. */
export const writeCpp = (sections: readonly Section[], attributes?: Attributes): Written =>
  new Writer(cpp, attributes).all(sections);

/** A program in C of 2011. */
export const writeC = (sections: readonly Section[]): Written => new Writer(c).all(sections);

class Writer {
  private readonly page = new Page('//');
  private readonly spelling: Spelling;

  constructor(
    private readonly dialect: Dialect,
    private readonly before: Attributes = { variable: '', interrupt: '' },
  ) {
    this.spelling = spellingWith(dialect.as);
  }

  all(sections: readonly Section[]): Written {
    for (const section of sections)
      this.page.section(section, () => section.holds.forEach((d) => this.declare(d)));
    return this.page.written;
  }

  private write(of: Expression): string {
    return writeExpression(this.spelling, of);
  }

  private declare(declaration: Declaration): void {
    const { page } = this;
    const { note } = declaration;
    switch (declaration.declares) {
      case 'constant': {
        const { type, name, value } = declaration;
        page.noted(this.dialect.constant(types[type], name, this.write(value)), note);
        return;
      }
      case 'variable': {
        const { name, type, value, interrupted } = declaration;
        const kept = interrupted ? 'volatile ' : '';
        const { variable } = this.before;
        page.noted(`${variable}${kept}${types[type]} ${name} = ${this.write(value)};`, note);
        return;
      }
      case 'list':
        page.noted(
          `${this.before.variable}${types[declaration.type]} ${declaration.name}[${declaration.length}];`,
          note,
        );
        return;
      case 'table': {
        const { name, type, values } = declaration;
        const listed = values.map((v) => (type === 'real' ? realText(v) : String(v)));
        page.noted(`const ${types[type]} ${name}[] = {${listed.join(', ')}};`, note);
        return;
      }
      case 'lines':
        page.put(...declaration.lines);
        return;
      case 'function':
        this.define(declaration);
    }
  }

  private define({ name, takes, gives, body, note, interrupts }: FunctionDeclaration): void {
    const { page } = this;
    page.put('');
    if (note) page.say(note);
    const values = takes.map((t) => `${types[t.type]} ${t.name}`).join(', ');
    const before = interrupts ? this.before.interrupt : '';
    page.put(
      `${before}${gives ? types[gives] : 'void'} ${name}(${values || this.dialect.nothing}) {`,
    );
    this.block(body, '  ');
    page.put('}');
  }

  private block(body: readonly Statement[], indent: string): void {
    for (const statement of body) this.state(statement, indent);
  }

  private state(statement: Statement, indent: string): void {
    const { page } = this;
    const deeper = `${indent}  `;
    switch (statement.do) {
      case 'note':
        page.say(statement.text, indent);
        return;
      case 'set':
        page.put(...this.broken(`${indent}${this.write(statement.to)} = `, statement.value, ';'));
        return;
      case 'let': {
        const { name, type, value, changes } = statement;
        const kept = changes ? '' : 'const ';
        page.put(...this.broken(`${indent}${kept}${types[type]} ${name} = `, value, ';'));
        return;
      }
      case 'call':
        page.put(`${indent}${this.write(statement.call)};`);
        return;
      case 'return':
        page.put(
          ...(statement.value
            ? this.broken(`${indent}return `, statement.value, ';')
            : [`${indent}return;`]),
        );
        return;
      case 'count': {
        const { name, below, body } = statement;
        page.put(`${indent}for (int ${name} = 0; ${name} < ${this.write(below)}; ${name}++) {`);
        this.block(body, deeper);
        page.put(`${indent}}`);
        return;
      }
      case 'while':
        page.put(...this.broken(`${indent}while (`, statement.when, ') {'));
        this.block(statement.body, deeper);
        page.put(`${indent}}`);
        return;
      case 'if':
        this.branch(statement, indent, indent);
    }
  }

  /** One that is taken only where the one before was not stands in a row with it. */
  private branch(
    { when, then, otherwise = [] }: Extract<Statement, { do: 'if' }>,
    indent: string,
    begins: string,
  ): void {
    const { page } = this;
    page.put(...this.broken(`${begins}if (`, when, ') {'));
    this.block(then, `${indent}  `);
    const [only, ...others] = otherwise;
    if (only?.do === 'if' && others.length === 0) {
      this.branch(only, indent, `${indent}} else `);
      return;
    }
    if (only) {
      page.put(`${indent}} else {`);
      this.block(otherwise, `${indent}  `);
    }
    page.put(`${indent}}`);
  }

  /** A value between two texts, on several lines where it is too long for one. */
  private broken(before: string, value: Expression, after: string): string[] {
    const line = `${before}${this.write(value)}${after}`;
    const several = operands(this.spelling, value);
    if (line.length <= width || !several) return [line];
    const space = ' '.repeat(/^ */.exec(before)?.[0].length ?? 0);
    const last = several.written.length - 1;
    return several.written.map((part, i) => {
      const start = i === 0 ? before : `${space}    `;
      return `${start}${part}${i < last ? ` ${several.sign}` : after}`;
    });
  }
}
