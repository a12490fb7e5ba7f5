import { call, snake, type Expression, type Section, type Statement } from '../code/index.js';
import type { Design, OwnCode } from '../design/index.js';
import type { Board, Told } from './board.js';

/** The places in which a maker's own code may stand, in the order of a program. */
export const ownPlaces = ['top', 'start', 'pass', 'event'] as const satisfies (keyof OwnCode)[];

const begins = (place: string): string => `>>> your own code: ${place}`;
const ends = '<<< until here';

/** The functions that hold it. */
const functions = { start: 'ownStart', pass: 'ownPass', event: 'ownEvent' } as const;

/** A section with what a design holds of the maker's own; undefined where it holds nothing. */
export function ownSection({ controller: { code } }: Design, board: Board): Section | undefined {
  if (!code) return undefined;
  const lines = ownPlaces.flatMap((place) => {
    const text = code[place];
    return text === undefined ? [] : placed(board.language, place, text);
  });
  return {
    title: 'Your own code',
    about: 'code',
    says: ['Kept in the design as it stands between the marks. No rehearsal knows it.'],
    holds: [{ declares: 'lines', lines }],
  };
}

function placed(language: Board['language'], place: keyof OwnCode, text: string): string[] {
  const python = language === 'python';
  const sign = python ? '#' : '//';
  const own = text.replace(/\n+$/, '').split('\n');
  const marked = (indent: string): string[] =>
    [`${sign} ${begins(place)}`, ...own, `${sign} ${ends}`].map((line) =>
      line === '' ? '' : indent + line,
    );
  if (place === 'top') return ['', ...marked('')];
  const [name, says] = [functions[place], place === 'event'];
  if (python) {
    const kept = own.some((line) => !/^\s*(#.*)?$/.test(line)) ? [] : ['    pass'];
    return [
      '',
      '',
      `def ${snake(name)}(${says ? 'kind, of, what' : ''}):`,
      ...marked('    '),
      ...kept,
    ];
  }
  const nothing = language === 'c' ? 'void' : '';
  const takes = says ? 'const char *kind, const char *of, const char *what' : nothing;
  const unused = says ? ['  (void)kind;', '  (void)of;', '  (void)what;'] : [];
  return ['', `void ${name}(${takes}) {`, ...unused, ...marked('  '), '}'];
}

/** Calls it at the start or at the end of a pass, where there is any. */
export const ownCall = ({ controller: { code } }: Design, place: 'start' | 'pass'): Statement[] =>
  code?.[place] === undefined ? [] : [{ do: 'call', call: call(functions[place]) }];

/** The name of the function that is called at the start, where there is one. */
export const ownStart = ({ controller: { code } }: Design): string | undefined =>
  code?.start === undefined ? undefined : functions.start;

/** Hands over to it what has happened; a number that is told is left to its variable. */
export function ownEvent(
  { controller: { code } }: Design,
  kind: string,
  of: string,
  told: Told,
): Statement[] {
  if (code?.event === undefined) return [];
  const text = (value: string): Expression => ({ is: 'text', value });
  const what = 'text' in told ? told.text : text('');
  return [{ do: 'call', call: call(functions.event, text(kind), text(of), what) }];
}

/**
 * What stands in the places of a program's text that was written for a design and changed since, in any language.
 *
 * @returns by place; those that the text does not mark are left out
 */
export function ownCodeIn(text: string): OwnCode {
  const found: OwnCode = {};
  let place: keyof OwnCode | undefined;
  let lines: string[] = [];
  for (const line of text.split(/\r?\n/)) {
    const mark = line.replace(/^\s*(\/\/|#)\s*/, '').trim();
    const begun = ownPlaces.find((p) => mark === begins(p));
    if (begun) [place, lines] = [begun, []];
    else if (place && mark === ends) {
      found[place] = outdented(lines);
      place = undefined;
    } else lines.push(line);
  }
  return found;
}

/** Lines without the indent that all of them have. */
function outdented(lines: readonly string[]): string {
  const full = lines.filter((line) => line.trim() !== '');
  const least = Math.min(...full.map((line) => /^ */.exec(line)?.[0].length ?? 0));
  return full.length === 0 ? '' : lines.map((line) => line.slice(least)).join('\n');
}
