/** A number with a decimal point or comma, as tables are written; NaN for anything else. */
export function cellNumber(cell: string): number {
  const text = cell.trim();
  return /^[+-]?(\d+([.,]\d*)?|[.,]\d+)(e[+-]?\d+)?$/i.test(text)
    ? Number(text.replace(',', '.'))
    : NaN;
}
