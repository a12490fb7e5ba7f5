/**
 * The one row of a query that always gives one.
 *
 * @throws Error where it gave none: then the file is not what its schema says
 */
export function firstRow<T>([row]: readonly T[]): T {
  if (row === undefined) throw new Error('A row that is always there is missing.');
  return row;
}
