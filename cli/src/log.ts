import type { Design } from '@yurei/core/design';
import { writeLogCsv } from '@yurei/core/exchange';
import { readLog, summaryOf, type LogSummary } from '@yurei/core/log';
import { sayRule } from '@yurei/core/logic';
import { formatQuantity } from '@yurei/core/quantity';
import { BadInput } from './bad-input.js';
import { loadDesign, loadText } from './load-design.js';
import type { Report } from './report.js';
import { table } from './table.js';

/** Longer files of what a board has told are not read, bytes. */
const largestLog = 200e6;

/** What a board that runs the program of a design has told: how often each thing has happened, and when first and last. */
export async function logOf(file: string, of: string): Promise<Report> {
  const design = await loadDesign(of);
  // What a board sends while it starts may be no text at all.
  const text = await loadText(file, largestLog, false);
  const log = readOf(file, text, design);
  const rows = summaryOf(log).map((row) => rowOf(design, row));
  const begun = log.runs === 1 ? 'one run' : `${log.runs} runs`;
  const said = [
    `${log.events.length + log.gone} events in ${begun} of the board, ${log.others} other lines.`,
    ...(log.gone > 0 ? [`The first ${log.gone} are not kept.`] : []),
  ];
  return {
    text: [...said, table([['', '', 'times', 'active', 'first', 'last'], ...rows])].join('\n'),
    json: log,
    csv: writeLogCsv(log),
    exitCode: 0,
  };
}

function readOf(file: string, text: string, design: Design): ReturnType<typeof readLog> {
  try {
    return readLog(text, design);
  } catch (error) {
    if (error instanceof RangeError) throw new BadInput(`${file}: ${error.message}`);
    throw error;
  }
}

function rowOf(design: Design, row: LogSummary): string[] {
  const { kind, of, id, times, active, first, last } = row;
  const rule = kind === 'rule' && design.rules.find((r) => r.id === id);
  const at = ({ run, t }: typeof first): string => `run ${run}, ${formatQuantity(t, 's')}`;
  return [
    kind,
    rule ? `${of}: ${sayRule(design, rule)}` : of,
    String(times),
    active === undefined ? '' : formatQuantity(active, 's'),
    at(first),
    at(last),
  ];
}
