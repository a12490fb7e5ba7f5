/** Rows as CSV (RFC 4180); numbers in full, nothing where a value is missing. */
export function csv(
  header: readonly string[],
  rows: readonly (readonly (string | number | undefined)[])[],
): string {
  const cell = (value: string | number | undefined): string => {
    const text = value === undefined || Number.isNaN(value) ? '' : String(value);
    return /[",\r\n]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text;
  };
  return `${[header, ...rows].map((row) => row.map(cell).join(',')).join('\r\n')}\r\n`;
}
