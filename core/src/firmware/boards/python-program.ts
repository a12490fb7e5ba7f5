import { writePython, type Section, type Written } from '../../code/index.js';

/** Lines at the beginning of a program that it has only where the word they bring is used. */
export interface Brought {
  word: string;
  lines: readonly string[];
}

/** A Python program that begins with what it uses of the language and of the board, and with nothing else. */
export function writeWithUsed(
  sections: readonly Section[],
  imports: readonly Brought[],
  helpers: readonly Brought[],
): Written {
  const [first, ...others] = sections;
  if (!first) return writePython(sections);
  const usedIn = (text: string) => (of: Brought) => new RegExp(`\\b${of.word}\\b`).test(text);
  const linesOf = (of: readonly Brought[]): string[] => of.flatMap(({ lines }) => lines);
  const body = spoken(writePython(sections).text);
  const helped = linesOf(helpers.filter(usedIn(body)));
  const brought = linesOf(imports.filter(usedIn(`${body}\n${helped.join('\n')}`)));
  const lines = (of: readonly string[]): Section['holds'] =>
    of.length > 0 ? [{ declares: 'lines', lines: of }] : [];
  return writePython([
    { ...first, holds: [...lines([...brought, '']), ...first.holds, ...lines(helped)] },
    ...others,
  ]);
}

/** A program without its texts and comments. */
const spoken = (text: string): string => text.replace(/"[^"\n]*"/g, '').replace(/#.*$/gm, '');
