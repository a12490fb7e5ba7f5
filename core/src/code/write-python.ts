import type {
  Declaration,
  Expression,
  FunctionDeclaration,
  Section,
  Statement,
  Written,
} from './code.js';
import { snake } from './names.js';
import { Page, width } from './page.js';
import { lines, quoted } from './texts.js';
import { operands, tight, writeExpression, type Spelling } from './write-expression.js';

const signs: Spelling['signs'] = {
  or: { written: 'or', binds: 1 },
  and: { written: 'and', binds: 2 },
  not: { written: 'not ', binds: 3 },
  '==': { written: '==', binds: 4 },
  '!=': { written: '!=', binds: 4 },
  '<': { written: '<', binds: 4 },
  '<=': { written: '<=', binds: 4 },
  '>': { written: '>', binds: 4 },
  '>=': { written: '>=', binds: 4 },
  '+': { written: '+', binds: 5 },
  '-': { written: '-', binds: 5 },
  '*': { written: '*', binds: 6 },
  '/': { written: '/', binds: 6 },
  '%': { written: '%', binds: 6 },
  minus: { written: '-', binds: 7 },
};

/** Writes a program in Python. */
class PythonWriter {
  readonly page = new Page('#', 2);
  private readonly spelling: Spelling;
  private readonly constants = new Set<string>();
  private readonly variables = new Set<string>();

  constructor(sections: readonly Section[]) {
    for (const d of sections.flatMap((s) => s.holds)) {
      if (d.declares === 'constant' || d.declares === 'table') this.constants.add(d.name);
      if (d.declares === 'variable') this.variables.add(d.name);
    }
    this.spelling = {
      signs,
      name: (name) => (this.constants.has(name) ? snake(name).toUpperCase() : snake(name)),
      bool: (value) => (value ? 'True' : 'False'),
      number: ({ value }) => String(value),
      text: quoted,
      since: (moment) => ({ written: `now - ${moment}`, binds: signs['-'].binds }),
      choice: (when, then, otherwise) => ({
        written: `${then} if ${when} else ${otherwise}`,
        binds: 0,
      }),
      // Numbers that are divided have a fraction anyway.
      as: (type, value) =>
        type === 'real' ? value : { written: `int(${value.written})`, binds: tight },
      brackets: () => false,
    };
  }

  private write(of: Expression): string {
    return writeExpression(this.spelling, of);
  }

  declare(declaration: Declaration): void {
    const { page } = this;
    const { note } = declaration;
    switch (declaration.declares) {
      case 'constant':
      case 'variable': {
        const { name, value } = declaration;
        page.noted(`${this.spelling.name(name)} = ${this.write(value)}`, note);
        return;
      }
      case 'list':
        page.noted(`${this.spelling.name(declaration.name)} = [0] * ${declaration.length}`, note);
        return;
      case 'table': {
        const { name, values } = declaration;
        page.noted(`${this.spelling.name(name)} = (${values.join(', ')},)`, note);
        return;
      }
      case 'lines':
        page.put(...declaration.lines);
        return;
      case 'function':
        this.define(declaration);
    }
  }

  private define({ name, takes, body, note }: FunctionDeclaration): void {
    const { page } = this;
    page.put('', '');
    if (note) page.say(note);
    page.put(`def ${snake(name)}(${takes.map((t) => snake(t.name)).join(', ')}):`);
    const own = [...new Set(assigned(body))].filter((n) => this.variables.has(n));
    if (own.length > 0) page.put(...this.globals(own.map(snake)));
    this.block(body, '    ');
    if (body.every((s) => s.do === 'note')) page.put('    pass');
  }

  /** What of the program's variables a function sets, in as many lines as it takes. */
  private globals(of: readonly string[]): string[] {
    return lines(of.join(', '), width - 11).map((line) => `    global ${line.replace(/,$/, '')}`);
  }

  private block(body: readonly Statement[], indent: string): void {
    for (const statement of body) this.state(statement, indent);
  }

  private state(statement: Statement, indent: string): void {
    const { page } = this;
    const deeper = `${indent}    `;
    switch (statement.do) {
      case 'note':
        page.say(statement.text, indent);
        return;
      case 'set':
        page.put(...this.broken(`${indent}${this.write(statement.to)} = `, statement.value, ''));
        return;
      case 'let':
        page.put(...this.broken(`${indent}${snake(statement.name)} = `, statement.value, ''));
        return;
      case 'call':
        page.put(`${indent}${this.write(statement.call)}`);
        return;
      case 'return':
        page.put(
          ...(statement.value
            ? this.broken(`${indent}return `, statement.value, '')
            : [`${indent}return`]),
        );
        return;
      case 'count':
        page.put(`${indent}for ${snake(statement.name)} in range(${this.write(statement.below)}):`);
        this.block(statement.body, deeper);
        return;
      case 'while':
        page.put(...this.broken(`${indent}while `, statement.when, ':'));
        this.block(statement.body, deeper);
        return;
      case 'if':
        this.branch(statement, indent, 'if');
    }
  }

  private branch(
    { when, then, otherwise = [] }: Extract<Statement, { do: 'if' }>,
    indent: string,
    word: string,
  ): void {
    this.page.put(...this.broken(`${indent}${word} `, when, ':'));
    this.block(then, `${indent}    `);
    const [only, ...others] = otherwise;
    if (only?.do === 'if' && others.length === 0) this.branch(only, indent, 'elif');
    else if (only) {
      this.page.put(`${indent}else:`);
      this.block(otherwise, `${indent}    `);
    }
  }

  /** A value between two texts, in brackets on several lines where it is too long for one. */
  private broken(before: string, value: Expression, after: string): string[] {
    const line = `${before}${this.write(value)}${after}`;
    const several = operands(this.spelling, value);
    if (line.length <= width || !several) return [line];
    const space = ' '.repeat(/^ */.exec(before)?.[0].length ?? 0);
    return [
      `${before}(`,
      ...several.written.map((part, i) => `${space}    ${i > 0 ? `${several.sign} ` : ''}${part}`),
      `${space})${after}`,
    ];
  }
}

/** A program in Python. */
export function writePython(sections: readonly Section[]): Written {
  const writer = new PythonWriter(sections);
  for (const section of sections)
    writer.page.section(section, () => section.holds.forEach((d) => writer.declare(d)));
  return writer.page.written;
}

/** Names that are given a value in some statements. */
function assigned(body: readonly Statement[]): string[] {
  return body.flatMap((s): string[] => {
    if (s.do === 'set') return s.to.is === 'name' ? [s.to.name] : [];
    if (s.do === 'if') return [...assigned(s.then), ...assigned(s.otherwise ?? [])];
    return s.do === 'count' || s.do === 'while' ? assigned(s.body) : [];
  });
}
