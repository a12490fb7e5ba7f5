import Papa from 'papaparse';
import type { ReadingSet } from '../design/index.js';
import { textCell } from './csv-cell.js';

/**
 * Reading sets as CSV (RFC 4180), a line for each reading: what `parseReadingSets` reads, with time, conditions and why
 * a reading does not count.
 */
export function writeReadings(sets: readonly ReadingSet[]): string {
  const rows = sets.flatMap((set) => {
    const out = new Map(set.excluded.map((x) => [x.at, x.reason]));
    const { distance, angle, light, temperature, supply, surface } = set.conditions;
    const conditions = [distance, angle, light, temperature, supply].map((c) => c ?? '');
    return set.counts.map((counts, i) => [
      textCell(set.name),
      set.intent,
      Number((i * set.every).toFixed(6)),
      counts,
      textCell(out.get(i) ?? ''),
      ...conditions,
      textCell(surface ?? ''),
    ]);
  });
  return `${Papa.unparse({ fields: columns, data: rows })}\r\n`;
}

const columns = [
  'set',
  'intent',
  'time',
  'counts',
  'left out',
  'distance m',
  'angle °',
  'light lx',
  'temperature °C',
  'supply V',
  'surface',
];
