import { isUtf8 } from 'node:buffer';
import type { DesignMakeup, DesignSummary } from '@yurei/core/exchange';
import type { EntityManager } from 'typeorm';
import { asBytes, shownText, textFrom } from '../keeping/bytes.js';
import { firstRow } from '../keeping/first-row.js';

type Cell = ArrayBuffer;
type Row = Record<Column, Cell & number>;
type Column =
  | ('id' | 'title' | 'purpose' | 'site' | 'answers' | 'makeup')
  | ('savedAt' | 'openedAt' | 'example' | 'parts' | 'scenes' | 'version');

/**
 * The shelf as JSON, last changed first, from columns alone.
 *
 * @param unreadable why designs cannot be read, by id; what a column cannot tell as text is told as unreadable as well
 */
export async function listShelf(
  manager: EntityManager,
  unreadable: ReadonlyMap<string, string>,
): Promise<Buffer> {
  const { shelf } = firstRow(await manager.query<{ shelf: Cell }[]>(shelfAsJson));
  const json = Buffer.from(shelf);
  if (unreadable.size === 0 && isUtf8(json)) return json;
  const rows = await manager.query<Row[]>(shelfByRow);
  return Buffer.from(JSON.stringify(rows.map((row) => summary(row, unreadable))));
}

/** The whole shelf in one cell: put together by SQLite, which is many times faster than row by row. */
const shelfAsJson = `SELECT CAST(json_group_array(json_object(
    'id', id, 'title', title, 'purpose', purpose, 'site', site, 'parts', parts, 'scenes', scenes,
    'version', version, 'savedAt', saved_at, 'openedAt', opened_at,
    'example', json(iif(example, 'true', 'false')),
    'makeup', CASE WHEN json_valid(makeup) THEN json(makeup) END,
    'answers', CASE WHEN json_valid(answers) THEN json(answers) END
  )) AS BLOB) AS shelf FROM (SELECT id, title, purpose, site, parts, scenes, version, saved_at, opened_at, example, makeup, answers
    FROM design WHERE removed_at = '' ORDER BY touched DESC)`;

const shelfByRow = `SELECT ${asBytes('id', 'title', 'purpose', 'site', 'answers', 'makeup')},
  CAST(saved_at AS BLOB) AS savedAt, CAST(opened_at AS BLOB) AS openedAt, example, parts, scenes, version
  FROM design WHERE removed_at = '' ORDER BY touched DESC`;

function jsonIn<T>(text: string): T | undefined {
  if (text === '') return undefined;
  try {
    return JSON.parse(text) as T;
  } catch {
    return undefined;
  }
}

function summary(row: Row, unreadableNow: ReadonlyMap<string, string>): DesignSummary {
  let damaged: string | undefined;
  const text = (cell: Cell): string => {
    try {
      return textFrom(cell);
    } catch (error) {
      damaged = (error as Error).message;
      return shownText(cell);
    }
  };
  const id = text(row['id']);
  const shown = {
    id,
    title: text(row['title']),
    purpose: text(row['purpose']),
    site: text(row['site']),
    parts: row['parts'],
    scenes: row['scenes'],
    version: row['version'],
    savedAt: text(row['savedAt']),
    openedAt: text(row['openedAt']),
    example: row['example'] === 1,
    makeup: jsonIn<DesignMakeup>(text(row['makeup'])),
    answers: jsonIn<DesignSummary['answers']>(text(row['answers'])),
  };
  const unreadable = damaged ?? unreadableNow.get(id);
  return unreadable === undefined ? shown : { ...shown, unreadable };
}
