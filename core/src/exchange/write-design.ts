import type { Design } from '../design/index.js';

/** Writes a design as a file: JSON with two spaces of indent and a final newline. */
export function writeDesign(design: Design): string {
  return `${JSON.stringify(design, null, 2)}\n`;
}

/** A file name a maker can recognise the design by. */
export const fileNameFor = (design: Pick<Design, 'title'>): string =>
  `${fileStem(design.title)}.yurei.json`;

/** A name as the beginning of a file's name, in whatever script it is written. */
export function fileStem(name: string): string {
  const stem = name
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 60);
  return stem || 'design';
}
