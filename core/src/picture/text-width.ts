import { signs, widths } from './letter-widths.js';

/** The width of a letter that the table does not have, in sizes. */
const unknownLetter = 0.62;
const firstLetter = 32;

/**
 * How wide a line of the text font is, worked out from a table: the same in tests, in a worker and on the screen.
 *
 * @param size of its letters, px
 * @returns px
 */
export function textWidth(text: string, size: number, weight: keyof typeof widths): number {
  const advance = (letter: string): number =>
    widths[weight][letter.charCodeAt(0) - firstLetter] ??
    signs[weight][letter] ??
    1000 * unknownLetter;
  return ([...text].reduce((sum, letter) => sum + advance(letter), 0) * size) / 1000;
}

/** How wide a line of the font for values is, whose letters are all 0.6 of their size. */
export const valueWidth = (text: string, size: number): number => 0.6 * size * [...text].length;

/**
 * Breaks a name between words into as few lines as possible, at most `most`; what is left over is cut with "…".
 *
 * @param room for each line, px
 * @param width of a piece of text, px
 */
export function wrap(
  text: string,
  room: number,
  most: number,
  width: (piece: string) => number,
): string[] {
  const lines: string[] = [];
  for (const word of text.split(/\s+/)) {
    const last = lines[lines.length - 1];
    if (last !== undefined && (width(`${last} ${word}`) <= room || lines.length === most))
      lines[lines.length - 1] = `${last} ${word}`;
    else lines.push(word);
  }
  return lines.map((line) => shorten(line, room, width));
}

/** Cuts a text that would not fit, with "…" for what is missing. */
export function shorten(text: string, room: number, width: (piece: string) => number): string {
  if (width(text) <= room) return text;
  let kept = text;
  while (kept && width(`${kept}…`) > room) kept = kept.slice(0, -1).trimEnd();
  return `${kept}…`;
}
