/** Each thing in a row with the one after it: [1, 2, 3] → [1, 2], [2, 3]. */
export function consecutive<T>(row: Iterable<T>): [T, T][] {
  const pairs: [T, T][] = [];
  let before: { of: T } | undefined;
  for (const one of row) {
    if (before) pairs.push([before.of, one]);
    before = { of: one };
  }
  return pairs;
}
