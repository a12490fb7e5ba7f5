/**
 * The first free id with a prefix: "R1", "R2", … as drawings count their parts.
 *
 * @param taken ids already in use
 */
export function freshId(prefix: string, taken: Iterable<string>): string {
  const used = new Set(taken);
  let n = 1;
  while (used.has(`${prefix}${n}`)) n += 1;
  return `${prefix}${n}`;
}
