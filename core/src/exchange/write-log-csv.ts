import Papa from 'papaparse';
import type { BoardLog } from '../log/index.js';
import { textCell } from './csv-cell.js';

/** The events of a log as CSV (RFC 4180), a line for each; what a spreadsheet would run is made a text. */
export function writeLogCsv({ events }: BoardLog): string {
  const data = events.map(({ run, t, kind, of, what }) => [
    run,
    t,
    kind,
    textCell(of),
    textCell(what),
  ]);
  return `${Papa.unparse({ fields: ['run', 'seconds', 'kind', 'of', 'what'], data })}\r\n`;
}
