import Papa from 'papaparse';
import { largestCount } from '../design/index.js';
import { intents, type Intent, type Readings } from '../judge/index.js';
import { cellNumber } from './cell-number.js';
import { cellText } from './csv-cell.js';

/** Reading sets from a file, or why there are none, with the line. */
export type ReadingSetsResult =
  { ok: true; sets: Readings[] } | { ok: false; reason: string; cure: string };

const refuse = (reason: string, cure: string): ReadingSetsResult => ({ ok: false, reason, cure });

const columns = ['set', 'intent', 'counts'] as const;
/** A column that need not be there. */
const leftOut = 'left out';
/** More readings than this are not taken from one file. */
const most = 500_000;

/**
 * Reads reading sets from CSV (RFC 4180; comma, semicolon or tab; decimal point or comma). The first line names
 * the columns: set, intent (wanted, quiet or nuisance) and counts, in any order; others are passed over, and so are
 * readings with a reason in a column "left out". Readings of a set stay in their order.
 */
export function parseReadingSets(text: string): ReadingSetsResult {
  const [line = ''] = text.split('\n', 1);
  const cells = (by: string): string[] => line.split(by).map((cell) => cell.trim().toLowerCase());
  const delimiter = [',', ';', '\t'].find((by) => cells(by).includes('counts')) ?? ',';
  const { data, errors } = Papa.parse<string[]>(text.trimEnd(), { delimiter });
  const unclosed = errors.find((e) => e.type === 'Quotes');
  if (unclosed)
    return refuse(
      `Line ${(unclosed.row ?? 0) + 1}: a quotation mark is not closed, or stands within a word`,
      'Put one at both ends of the cell, and write two for one within it.',
    );
  const [head = [], ...rows] = data;
  const names = head.map((cell) => cell.trim().toLowerCase());
  const missing = columns.filter((c) => !names.includes(c));
  if (missing.length > 0)
    return refuse(
      `The first line has no column ${missing.map((m) => `"${m}"`).join(', ')}`,
      'Begin with a line: set,intent,counts.',
    );
  if (rows.length > most)
    return refuse(`It has ${rows.length} readings; at most ${most} fit`, 'Thin it out or cut it.');
  const places = new Map([...columns, leftOut].map((name) => [name, names.indexOf(name)]));
  const cell = (
    row: readonly string[],
    column: (typeof columns)[number] | typeof leftOut,
  ): string => (row[places.get(column) ?? -1] ?? '').trim();
  const sets = new Map<string, { name: string; intent: Intent; counts: number[] }>();
  for (const [i, row] of rows.entries()) {
    const at = `Line ${i + 2}`;
    if (row.length > names.length)
      return refuse(
        `${at} has ${row.length} cells, the first line names ${names.length}`,
        'Take out what is too much, or put cells with a comma in quotation marks.',
      );
    if (cell(row, leftOut) !== '') continue;
    const [name, meant] = [cellText(cell(row, 'set')), cell(row, 'intent').toLowerCase()];
    const known = intents.find((k) => k === meant);
    if (!known) return refuse(`${at}: "${meant}" is no intent`, `Write ${intents.join(', ')}.`);
    const counts = cell(row, 'counts');
    const value = cellNumber(counts);
    if (!Number.isFinite(value))
      return refuse(`${at}: "${counts}" is not a number`, 'Correct or remove that line.');
    if (Math.abs(value) > largestCount)
      return refuse(
        `${at}: ${value} is no count: at most ${largestCount}, above or below 0`,
        'Correct or remove that line.',
      );
    const found = sets.get(name) ?? { name, intent: known, counts: [] };
    if (found.intent !== known)
      return refuse(
        `${at}: set "${name}" was ${found.intent} before and is ${known} here`,
        'Give the two different names.',
      );
    found.counts.push(value);
    sets.set(name, found);
  }
  return sets.size === 0
    ? refuse('There are no readings in it', 'Give at least one line below the first.')
    : { ok: true, sets: [...sets.values()] };
}
