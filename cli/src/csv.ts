import { textCell } from '@yurei/core/exchange';

/** Rows as CSV (RFC 4180); numbers in full, nothing where a value is missing, no text that is run as a formula. */
export function csv(
  header: readonly string[],
  rows: readonly (readonly (string | number | undefined)[])[],
): string {
  const cell = (value: string | number | undefined): string => {
    const missing = value === undefined || Number.isNaN(value);
    const text = missing ? '' : typeof value === 'string' ? textCell(value) : String(value);
    return /[",\r\n]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text;
  };
  return `${[header, ...rows].map((row) => row.map(cell).join(',')).join('\r\n')}\r\n`;
}
