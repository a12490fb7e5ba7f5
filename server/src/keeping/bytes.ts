import type { EntitySchemaColumnOptions } from 'typeorm';

/** A column of bytes; the driver gives them without the methods of a Buffer. */
export const bytes: EntitySchemaColumnOptions = {
  type: 'blob',
  transformer: {
    to: (value: Buffer) => value,
    from: (value: ArrayBuffer) => Buffer.from(value),
  },
};

const utf8 = new TextDecoder('utf-8', { fatal: true });

/** Bytes that should be text and are none. */
export class NotText extends Error {
  override readonly name = 'NotText';
  constructor() {
    super('Its bytes are no text in UTF-8: the file was damaged');
  }
}

/**
 * Text from bytes. The driver ends the whole program at one byte of a text column that is no UTF-8, so texts are read
 * as `CAST(… AS BLOB)` and decoded here.
 *
 * @throws NotText
 */
export function textFrom(value: ArrayBuffer | Uint8Array): string {
  try {
    return utf8.decode(value);
  } catch {
    throw new NotText();
  }
}

/** Columns of text for a SELECT, as bytes under their own names. */
export const asBytes = (...columns: string[]): string =>
  columns.map((column) => `CAST(${column} AS BLOB) AS ${column}`).join(', ');

/** Text from bytes of which a damaged one may be shown as such. */
export const shownText = (value: ArrayBuffer): string => Buffer.from(value).toString();
