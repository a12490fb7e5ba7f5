import { EditError } from './edit.js';

/** Replaces the item of the same id in its place, or appends it. */
export function put<T extends { id: string }>(list: readonly T[], item: T): T[] {
  return list.some((i) => i.id === item.id)
    ? list.map((i) => (i.id === item.id ? item : i))
    : [...list, item];
}

/** @throws EditError when there is no such item */
export function without<T extends { id: string }>(
  list: readonly T[],
  id: string,
  what: string,
): T[] {
  if (!list.some((i) => i.id === id)) throw new EditError(`There is no ${what} ${id}.`);
  return list.filter((i) => i.id !== id);
}
