import { formatQuantity } from '@yurei/core/quantity';
import { table } from './table.js';

/** Moments in a report, s. */
export const seconds = (t: number): string => formatQuantity(t, 's', 5);

/** What acted and ceased, with its moment and its reason; nothing where nothing did. */
export function actedTable(
  acting: readonly { t: number; part: string; active: boolean; because: string }[],
): string[] {
  if (acting.length === 0) return [];
  const rows = acting.map((a) => [seconds(a.t), a.part, a.active ? 'acts' : 'stops', a.because]);
  return ['\nWhat acted', table(rows)];
}
