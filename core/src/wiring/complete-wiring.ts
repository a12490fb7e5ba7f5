import { kindOf, type Terminal } from '../catalog/index.js';
import { terminalRef, type Design, type Part, type TerminalRef } from '../design/index.js';

/** How a half-typed wire can go on: the sentence so far with its next end, and whose end that is. */
export interface Completion {
  sentence: string;
  /** Name of the part. */
  part: string;
  end: TerminalRef;
}

/** What joins two ends stands as a word by itself: "touch" only begins like one. */
const joining = /^(.* (?:to|and|→|->|–))(?:\s+(.*))?$/is;

/** Its label; where two terminals of a part share one, its id. */
function wordFor(terminals: readonly Terminal[], { id, label }: Terminal): string {
  const same = terminals.filter((t) => t.label.toLowerCase() === label.toLowerCase());
  return same.length === 1 ? label : id;
}

const wordsOf = (text: string): string[] =>
  text
    .toLowerCase()
    .split(/[\s.]+/)
    .filter((word) => word !== '' && word !== 'of');

/**
 * How a wire that is being typed can go on, for `sayWiring`: the first end is followed by "to", the second ends it.
 * Every word typed must begin a word of the terminal or of its part; terminals without a wire stand first.
 *
 * @param most at most so many
 */
export function completeWiring(design: Design, text: string, most = 8): Completion[] {
  const [, begun = '', half = ''] = joining.exec(text) ?? ['', '', text];
  const typed = wordsOf(half);
  if (begun === '' && typed.length === 0) return [];
  const wired = new Set<TerminalRef>(design.wires.flatMap((w) => [w.from, w.to]));
  const spoken = wordsOf(begun);
  const found = design.parts.flatMap((part) =>
    endsOf(part)
      // A wire does not lead back to the part that it comes from.
      .filter(({ words }) => !spoken.includes(part.id.toLowerCase()) && begins(words, typed))
      .map(({ end, phrase }) => ({
        end,
        part: part.name,
        sentence: begun === '' ? `${phrase} to ` : `${begun} ${phrase}`,
      })),
  );
  return found.sort((a, b) => Number(wired.has(a.end)) - Number(wired.has(b.end))).slice(0, most);
}

function endsOf(part: Part): { end: TerminalRef; phrase: string; words: string[] }[] {
  const { terminals } = kindOf(part);
  return terminals.map((terminal) => {
    const word = wordFor(terminals, terminal);
    return {
      end: terminalRef(part.id, terminal.id),
      phrase: `${word} of ${part.id}`,
      words: wordsOf(`${word} ${terminal.id} ${part.id} ${part.name}`),
    };
  });
}

const begins = (words: readonly string[], typed: readonly string[]): boolean =>
  typed.every((t) => words.some((word) => word.startsWith(t)));
