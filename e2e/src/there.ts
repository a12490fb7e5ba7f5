/**
 * What has to be there.
 *
 * @throws RangeError where it is not
 */
export function there<T>(item: T | undefined, what: string): T {
  if (item === undefined) throw new RangeError(`There is no ${what}.`);
  return item;
}
