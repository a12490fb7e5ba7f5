/** Words that mean something in C, C++ or Python, or that the boards' functions are called. */
const reserved = new Set(
  `alignas alignof and as asm auto bool break byte case catch char class const constexpr continue def default define del delete do
   double elif else enum except explicit export extern false final finally float for from friend global goto if import in inline
   int is lambda long main map max min mutable namespace new none nonlocal not nullptr object operator or override pass pin print
   private protected public raise register return round setup loop shift short signed sizeof static str struct super switch
   template this throw true try type typedef union unsigned using virtual void volatile wait while with word yield abs any all
   bit constrain delay exit gc gpio high input interrupts isr list low machine millis micros next now number output range random
   read serial sin sleep sq string sum time tone uint8 write wdt timer math os sys analog digital led gone way lightness root
   below same before to played place of level i j tell makepass makeround anyread asleep wakesat awakesince lookwhethertostay rounds turns passing more changed clockstart edges
   assert async await open none len range dict set countsat ishigh switch dim expm1 lightsleep start goround ticks latest
   tellevents tellcount tellreading saytime sayreadings testall answer hear heard heardlength sayevery sayat letter rate readings linein zip select
   hour minute second daystart localtime lines config chip began edges event kept keptplace checkof loadkept savekept one places found iswhole bytes check turn eeprom`
    .split(/\s+/)
    .filter(Boolean),
);

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
