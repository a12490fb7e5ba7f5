/** What a spreadsheet takes for the beginning of a formula, behind any number of apostrophes. */
const formulaLike = /^'*[=+\-@\t\r\n]/;

/**
 * A text as a cell that no spreadsheet runs: an apostrophe stands before what would be taken for a formula. Only
 * for texts; numbers are written as they are.
 */
export const textCell = (text: string): string => (formulaLike.test(text) ? `'${text}` : text);

/** The text that `textCell` has made a cell of. */
export const cellText = (cell: string): string =>
  cell.startsWith("'") && formulaLike.test(cell.slice(1)) ? cell.slice(1) : cell;
