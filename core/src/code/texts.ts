/** A text of the maker's on one line of a comment: nothing of it ends the comment or goes on in the next line. */
export const commented = (text: string): string =>
  text
    .replace(/[\p{Cc}\p{Zl}\p{Zp}\p{Cf}]+/gu, ' ')
    // Neither the end of a comment, nor a sign that older compilers read as another.
    .replace(/\*\//g, '* /')
    .replace(/\/\*/g, '/ *')
    .replace(/\?\?/g, '? ?')
    .replace(/\\/g, '/')
    .trim();

/** A text between double quotes that C, C++ and Python read alike, in plain letters. */
export function quoted(text: string): string {
  const safe = [...text]
    .map((c) => (/[\p{Cc}\p{Zl}\p{Zp}\p{Cf}"\\?]/u.test(c) ? escaped(c) : c))
    .join('');
  return `"${safe}"`;
}

/** As an octal number of three digits, which no next letter can lengthen; a space for what is no single byte. */
function escaped(letter: string): string {
  const code = letter.codePointAt(0) ?? 0x20;
  return code < 0x80 ? `\\${code.toString(8).padStart(3, '0')}` : ' ';
}

/** A text in lines of at most so many letters, broken between words. */
export function lines(text: string, most: number): string[] {
  const found: string[] = [];
  for (const word of text.split(' ')) {
    const last = found[found.length - 1];
    if (last !== undefined && last.length + 1 + word.length <= most)
      found[found.length - 1] = `${last} ${word}`;
    else found.push(word);
  }
  return found;
}
