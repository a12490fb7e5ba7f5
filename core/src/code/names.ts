import { reserved } from './reserved.js';

/** Letters that fold to plain ones where taking off accents is not enough. */
const folded: Readonly<Record<string, string>> = {
  ß: 'ss',
  æ: 'ae',
  œ: 'oe',
  ø: 'o',
  å: 'a',
  ð: 'd',
  þ: 'th',
  ł: 'l',
  đ: 'd',
  ı: 'i',
};
/** A name has so many letters at most: longer ones are cut between words. */
const longest = 24;

/** Plain lower-case words of a text, as far as it can be written with these. */
function wordsOf(text: string): string[] {
  const plain = [...text.normalize('NFKD').toLowerCase()]
    .map((c) => folded[c] ?? c)
    .join('')
    .replace(/\p{M}/gu, '')
    .replace(/['’]/g, '');
  return plain.match(/[a-z]+|[0-9]+/g) ?? [];
}

const capital = (word: string): string => word.charAt(0).toUpperCase() + word.slice(1);

/** The name of a variable from words: "Lower beam" → lowerBeam; undefined where nothing of it can be written. */
function camel(text: string): string | undefined {
  const [first, ...others] = wordsOf(text);
  if (first === undefined) return undefined;
  let name = /^[0-9]/.test(first) ? `n${first}` : first.slice(0, longest);
  for (const word of others) {
    if (name.length + word.length > longest) break;
    name += capital(word);
  }
  return name;
}

/** The same as Python writes it: lowerBeam → lower_beam. */
export const snake = (name: string): string =>
  name.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`);

/** Hands out names that no two things share, and that mean nothing else in any of the languages. */
export class Names {
  private readonly taken = new Set<string>();

  /**
   * A name made of a text in any script.
   *
   * @param instead what it is called where nothing of the text can be written
   */
  make(text: string, instead: string): string {
    return this.free(camel(text) ?? camel(instead) ?? 'thing');
  }

  /** A name that goes on from another: lowerBeam, Pin → lowerBeamPin. */
  extend(base: string, end: string): string {
    return this.free(base + end);
  }

  private free(base: string): string {
    for (let n = 1; ; n++) {
      const name = n === 1 ? base : `${base}${/[0-9]$/.test(base) ? 'n' : ''}${n}`;
      if (reserved.has(name.toLowerCase()) || this.taken.has(snake(name))) continue;
      this.taken.add(snake(name));
      return name;
    }
  }
}
