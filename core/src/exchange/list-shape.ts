import Joi from 'joi';

/** So many things that are wrong are told of a document; more would help nobody. */
export const mostProblems = 20;
/** No text of a problem is longer: what is told about a document stays small whatever it holds. */
const longestText = 400;

/** Nothing is taken for what it is not, and everything that is wrong is told. */
const strict: Joi.ValidationOptions = { abortEarly: false, convert: false };

/** Something that has not its shape: where in the document, and what. */
export interface Misshape {
  path: (string | number)[];
  message: string;
}

/**
 * A list of at most `most` items. It is counted before any item is looked at, and looked at only until enough is
 * wrong with it, so that checking takes no longer than the document is long.
 */
export function list(item: Joi.Schema, most: number): Joi.ArraySchema {
  const ready = prepared(item);
  const known = new KnownItems();
  const each = (values: unknown[], helpers: Joi.CustomHelpers): unknown => {
    if (values.length > most) return helpers.error('array.max', { limit: most });
    const wrong = firstOf(values.entries(), ([i, value]) =>
      known.misshapes(ready, value).map(({ path, message }) => ({ path: [i, ...path], message })),
    );
    return wrong.length > 0 ? helpers.error('list.items', { wrong }) : values;
  };
  return Joi.array()
    .custom(each)
    .required()
    .messages({ 'list.items': '{{#label}} has items that make no sense' });
}

/** Longer items are not remembered, in characters of JSON, nor more of them than this. */
const longestKnown = 2000;
const mostKnown = 5000;

/**
 * Items of one list that were found to have their shape, by their JSON. A design is checked at each save, and nearly all
 * of it was checked at the save before.
 */
class KnownItems {
  private readonly known = new Set<string>();

  misshapes(shape: Joi.Schema, value: unknown): Misshape[] {
    const json = JSON.stringify(value);
    if (this.known.has(json)) return [];
    const wrong = misshapes(shape, value);
    if (wrong.length > 0 || json.length > longestKnown) return wrong;
    if (this.known.size >= mostKnown) this.known.clear();
    this.known.add(json);
    return wrong;
  }
}

/** A list of at most `most` numbers: looked at in one go, as there may be very many. */
export const numbers = (most: number): Joi.ArraySchema =>
  Joi.array()
    .required()
    .custom((values: unknown[]) => {
      if (values.length > most) throw new Error(`there are ${values.length}, at most ${most} fit`);
      const wrong = values.findIndex((v) => typeof v !== 'number' || !Number.isFinite(v));
      if (wrong >= 0) throw new Error(`reading ${wrong + 1} is not a number`);
      return values;
    });

/**
 * What is wrong with a value, at most `mostProblems` of it; nothing when it has its shape.
 *
 * @param shape made ready with `prepared`
 */
export const misshapes = (shape: Joi.Schema, value: unknown): Misshape[] =>
  toldOf(shape.validate(value));

/** A shape made ready for `misshapes`: done once, as it takes as long as looking at a small value. */
export const prepared = <T extends Joi.Schema>(shape: T): T => shape.prefs(strict) as T;

function toldOf({ error }: Joi.ValidationResult): Misshape[] {
  if (!error) return [];
  return firstOf(error.details, ({ path, message, context }) => {
    const inner = (context as { wrong?: Misshape[] } | undefined)?.wrong;
    if (!inner) return [{ path, message: cut(message) }];
    return inner.map((one) => ({ ...one, path: [...path, ...one.path] }));
  });
}

/** What the first items give, until there are `mostProblems` of it. */
export function firstOf<T, R>(items: Iterable<T>, of: (item: T) => readonly R[]): R[] {
  const found: R[] = [];
  for (const item of items) {
    found.push(...of(item));
    if (found.length >= mostProblems) break;
  }
  return found.slice(0, mostProblems);
}

/** @returns the text, or its beginning where it is very long */
export const cut = (text: string): string =>
  text.length > longestText ? `${text.slice(0, longestText)}…` : text;

/** ["parts", 3, "name"] → "parts[3] (R2).name". */
export function placeOf(path: readonly (string | number)[], document: unknown): string {
  let at: unknown = document;
  let place = '';
  for (const key of path) {
    at = (at as Record<string | number, unknown> | undefined)?.[key];
    place += typeof key === 'number' ? `[${key}]` : `${place ? '.' : ''}${key.slice(0, 64)}`;
    const id = (at as { id?: unknown } | undefined)?.id;
    if (typeof key === 'number' && typeof id === 'string') place += ` (${id.slice(0, 32)})`;
  }
  return place || 'file';
}
