import type { Declaration, Expression, Section, Sign, Statement, Type, Written } from './code.js';
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

const spelling: Spelling = {
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
  as: (type, { written }) => ({ written: `${types[type]}(${written})`, binds: tight }),
  brackets: (inner, outer) =>
    (inner === 'and' && outer === 'or') || (compares.has(inner) && compares.has(outer)),
};
const write = (of: Expression): string => writeExpression(spelling, of);

/** A program in C++, as boards with `setup` and `loop` take it. */
export function writeCpp(sections: readonly Section[]): Written {
  const page = new Page('//');
  for (const section of sections)
    page.section(section, () => section.holds.forEach((d) => declare(page, d)));
  return page.written;
}

function declare(page: Page, declaration: Declaration): void {
  const { note } = declaration;
  switch (declaration.declares) {
    case 'constant':
      page.noted(
        `const ${types[declaration.type]} ${declaration.name} = ${write(declaration.value)};`,
        note,
      );
      return;
    case 'variable': {
      const { name, type, value, interrupted } = declaration;
      const kept = interrupted ? 'volatile ' : '';
      page.noted(`${kept}${types[type]} ${name} = ${write(value)};`, note);
      return;
    }
    case 'list':
      page.noted(`${types[declaration.type]} ${declaration.name}[${declaration.length}];`, note);
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
      defineFunction(page, declaration);
  }
}

function defineFunction(
  page: Page,
  { name, takes, gives, body, note }: Extract<Declaration, { declares: 'function' }>,
): void {
  page.put('');
  if (note) page.say(note);
  const values = takes.map((t) => `${types[t.type]} ${t.name}`).join(', ');
  page.put(`${gives ? types[gives] : 'void'} ${name}(${values}) {`);
  block(page, body, '  ');
  page.put('}');
}

function block(page: Page, body: readonly Statement[], indent: string): void {
  for (const statement of body) state(page, statement, indent);
}

function state(page: Page, statement: Statement, indent: string): void {
  const deeper = `${indent}  `;
  switch (statement.do) {
    case 'note':
      page.say(statement.text, indent);
      return;
    case 'set':
      page.put(...broken(`${indent}${write(statement.to)} = `, statement.value, ';'));
      return;
    case 'let': {
      const { name, type, value, changes } = statement;
      page.put(
        ...broken(`${indent}${changes ? '' : 'const '}${types[type]} ${name} = `, value, ';'),
      );
      return;
    }
    case 'call':
      page.put(`${indent}${write(statement.call)};`);
      return;
    case 'return':
      page.put(
        ...(statement.value
          ? broken(`${indent}return `, statement.value, ';')
          : [`${indent}return;`]),
      );
      return;
    case 'count': {
      const { name, below, body } = statement;
      page.put(`${indent}for (int ${name} = 0; ${name} < ${write(below)}; ${name}++) {`);
      block(page, body, deeper);
      page.put(`${indent}}`);
      return;
    }
    case 'while':
      page.put(...broken(`${indent}while (`, statement.when, ') {'));
      block(page, statement.body, deeper);
      page.put(`${indent}}`);
      return;
    case 'if':
      branch(page, statement, indent, indent);
  }
}

/** One that is taken only where the one before was not stands in a row with it. */
function branch(
  page: Page,
  { when, then, otherwise = [] }: Extract<Statement, { do: 'if' }>,
  indent: string,
  begins: string,
): void {
  page.put(...broken(`${begins}if (`, when, ') {'));
  block(page, then, `${indent}  `);
  const [only, ...others] = otherwise;
  if (only?.do === 'if' && others.length === 0) {
    branch(page, only, indent, `${indent}} else `);
    return;
  }
  if (only) {
    page.put(`${indent}} else {`);
    block(page, otherwise, `${indent}  `);
  }
  page.put(`${indent}}`);
}

/** A value between two texts, on several lines where it is too long for one. */
function broken(before: string, value: Expression, after: string): string[] {
  const line = `${before}${write(value)}${after}`;
  const several = operands(spelling, value);
  if (line.length <= width || !several) return [line];
  const space = ' '.repeat(/^ */.exec(before)?.[0].length ?? 0);
  const last = several.written.length - 1;
  return several.written.map((part, i) => {
    const start = i === 0 ? before : `${space}    `;
    return `${start}${part}${i < last ? ` ${several.sign}` : after}`;
  });
}
