/**
 * Why nothing could be kept at this moment, as far as whoever asked can do something about it: no room on the disk,
 * another program that writes to the file, or a disk that fails.
 */
export type TroubleKind = 'full' | 'busy' | 'failing';

/** The database could not do what was asked; nothing of it was kept. */
export class StoreTrouble extends Error {
  override readonly name = 'StoreTrouble';
  constructor(
    readonly kind: TroubleKind,
    cause?: unknown,
  ) {
    super(`The database is ${kind}.`, { cause });
  }
}

/** Primary result codes of SQLite, https://www.sqlite.org/rescode.html. */
const kinds: Readonly<Record<number, TroubleKind>> = {
  5: 'busy',
  6: 'busy',
  8: 'failing',
  10: 'failing',
  11: 'failing',
  13: 'full',
  14: 'failing',
  15: 'busy',
  26: 'failing',
};

/** SQLite's result code of an error, also of one that the mapper has wrapped; undefined for any other error. */
function codeOf(error: unknown): number | undefined {
  const { rawCode, driverError, message } = error as Record<string, unknown>;
  if (typeof rawCode === 'number') return rawCode;
  // A file that cannot even be opened is told in words, with the code at their end.
  const [, told] = /^ConnectionFailed\(.*: (\d+)"\)$/.exec(String(message)) ?? [];
  if (told !== undefined) return Number(told);
  return driverError ? codeOf(driverError) : undefined;
}

/** The error in terms of what can be done about it; errors that are not the database's are given back. */
export function asTrouble(error: unknown): unknown {
  const code = codeOf(error);
  const kind = code === undefined ? undefined : kinds[code & 0xff];
  return kind ? new StoreTrouble(kind, error) : error;
}
