import Papa from 'papaparse';
import type { Rehearsal } from '../rehearsal/index.js';

/** All readings of a rehearsal as CSV (RFC 4180), a line for each. */
export function writeRehearsalCsv({ readings }: Pick<Rehearsal, 'readings'>): string {
  const data = Object.entries(readings).flatMap(([channel, { times, values }]) =>
    times.map((t, i) => [Number(t.toFixed(6)), channel, values[i]]),
  );
  return `${Papa.unparse({ fields: ['t', 'channel', 'counts'], data })}\r\n`;
}
