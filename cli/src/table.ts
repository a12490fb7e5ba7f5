/** Lines up rows in columns, two spaces apart; the last column is left as it is. */
export function table(rows: readonly (readonly string[])[]): string {
  const widths = (rows[0] ?? []).map((_, c) => Math.max(...rows.map((r) => r[c]?.length ?? 0)));
  return rows
    .map((row) =>
      row.map((cell, c) => (c < row.length - 1 ? cell.padEnd(widths[c] ?? 0) : cell)).join('  '),
    )
    .join('\n');
}
