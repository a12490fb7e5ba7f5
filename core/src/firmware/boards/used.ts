import {
  writeC,
  writeCpp,
  writePython,
  type Attributes,
  type Section,
  type Written,
} from '../../code/index.js';

/** Lines at the beginning of a program that it has only where the word they bring is used. */
export interface Brought {
  word: string;
  lines: readonly string[];
}

type Write = (sections: readonly Section[]) => Written;

/** A Python program that begins with what it uses of the language and of the board, and with nothing else. */
export const pythonWith = (imports: readonly Brought[], helpers: readonly Brought[]): Write =>
  writeWithUsed(writePython, imports, helpers);

/** The same in C++. */
export const cppWith = (
  imports: readonly Brought[],
  helpers: readonly Brought[],
  attributes?: Attributes,
): Write => writeWithUsed((sections) => writeCpp(sections, attributes), imports, helpers);

/** The same in C. */
export const cWith = (imports: readonly Brought[], helpers: readonly Brought[]): Write =>
  writeWithUsed(writeC, imports, helpers);

const writeWithUsed =
  (write: Write, imports: readonly Brought[], helpers: readonly Brought[]): Write =>
  (sections) => {
    const [first, settings, ...others] = sections;
    if (!first || !settings) return write(sections);
    const usedIn = (text: string) => (of: Brought) => new RegExp(`\\b(${of.word})\\b`).test(text);
    const linesOf = (of: readonly Brought[]): string[] => of.flatMap(({ lines }) => lines);
    const body = spoken(write(sections).text);
    const helped = linesOf(helpers.filter(usedIn(body)));
    const brought = linesOf(imports.filter(usedIn(`${body}\n${helped.join('\n')}`)));
    const top: Section['holds'] =
      brought.length > 0 ? [{ declares: 'lines', lines: [...brought, ''] }] : [];
    const helping: Section[] =
      helped.length > 0
        ? [{ title: 'The board', says: [], holds: [{ declares: 'lines', lines: helped }] }]
        : [];
    return write([{ ...first, holds: [...top, ...first.holds] }, settings, ...helping, ...others]);
  };

/** A program without its texts and comments. */
const spoken = (text: string): string =>
  text.replace(/"[^"\n]*"/g, '').replace(/(#|\/\/).*$/gm, '');
