/**
 * The number kept under a name that must be there.
 *
 * @throws RangeError naming what is missing: it never goes on as NaN, against which every limit holds
 */
export function entry(of: Readonly<Record<string, number>>, name: string): number {
  const value = of[name];
  if (value === undefined) throw new RangeError(`There is no number named "${name}".`);
  return value;
}
