import { existsSync, statSync } from 'node:fs';
import { migrations, schemaVersion } from './migrations/index.js';
import { applicationId } from './migrations/mark.js';
import { openUntouched, type RawDatabase } from './raw-database.js';
import { firstRow } from './first-row.js';

/** What a file in the place of the database is, as far as looking without touching tells. */
export type Identity =
  | { is: 'nothing' }
  | { is: 'ours'; schema: number }
  | { is: 'newer'; schema: number }
  | { is: 'foreign' }
  | { is: 'damaged'; reason: string };

/** Looks at a file without changing it: whose it is, and how old. */
export function identify(file: string): Identity {
  if (!existsSync(file) || statSync(file).size === 0) return { is: 'nothing' };
  let raw: RawDatabase | undefined;
  try {
    raw = openUntouched(file);
    return identityOf(raw);
  } catch (error) {
    return { is: 'damaged', reason: (error as Error).message };
  } finally {
    raw?.close();
  }
}

function identityOf(raw: RawDatabase): Identity {
  const { application_id: id } = firstRow(
    raw.pragma('application_id') as { application_id: number }[],
  );
  const { user_version: schema } = firstRow(
    raw.pragma('user_version') as { user_version: number }[],
  );
  if (id === applicationId)
    return schema > schemaVersion ? { is: 'newer', schema } : { is: 'ours', schema };
  const tables = raw.prepare("SELECT name FROM sqlite_master WHERE type = 'table'").all() as {
    name: string;
  }[];
  if (tables.length === 0 && id === 0) return { is: 'nothing' };
  // Before files were marked, only the migrations tell.
  if (id !== 0 || !tables.some((t) => t.name === 'migrations')) return { is: 'foreign' };
  const done = raw.prepare('SELECT name FROM migrations').all() as { name: string }[];
  const known = migrations.map((m) => m.name);
  if (!done.some((m) => m.name === known[0])) return { is: 'foreign' };
  return done.every((m) => known.includes(m.name))
    ? { is: 'ours', schema: done.length }
    : { is: 'newer', schema: done.length };
}
