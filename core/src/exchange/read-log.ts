import { consecutive } from '../design/index.js';
import { cellNumber } from './cell-number.js';
import { isoSeconds } from './iso-seconds.js';

/** How the columns of a log are to be read. */
export interface LogMapping {
  delimiter: ',' | ';' | '\t' | ' ';
  decimal: '.' | ',';
  /** The first row names the columns. */
  header: boolean;
  /** Column of the time; −1: there is none, readings are `every` apart. */
  time: number;
  timeUnit: 's' | 'ms' | 'min' | 'date';
  value: number;
  unit: ReadingUnit;
}

/** In what a reading can be written. */
export type ReadingUnit = 'counts' | 'V' | 'mV' | '%';

/** Counts for one of each unit, as the converter of a channel has them. */
export type CountsPer = Readonly<Record<ReadingUnit, number>>;

/** How a log seems to be written, with its first rows to look at. */
export interface LogGuess {
  mapping: LogMapping;
  columns: string[];
  rows: string[][];
}

/** A log as read: readings with their times. */
export interface Log {
  /** s from the first. */
  times: number[];
  counts: number[];
  /** Middle one of the times between readings, s. */
  every: number;
}

/** Why a log cannot be read, with the line. */
export class LogError extends Error {
  override readonly name = 'LogError';
}

/** More readings than this are not taken from one file. */
export const longestLog = 5_000_000;
const delimiters = [';', '\t', ',', ' '] as const;
const perTime = { s: 1, ms: 1e-3, min: 60 } as const;

/**
 * Guesses how a log is written from its beginning: delimiter, decimal sign, header, and which columns are time
 * and reading.
 *
 * @throws LogError when it is not text, or no column holds numbers
 */
export function guessLog(head: string): LogGuess {
  if (head.includes('\0')) throw new LogError('It is not text: choose a CSV file.');
  const lines = head
    .split(/\r?\n/)
    .filter((line) => line.trim() !== '' && !line.startsWith('#'))
    .slice(0, 20);
  const delimiter = delimiters.find((d) => lines.every((line) => line.includes(d))) ?? ',';
  const rows = lines.map((line) => cellsOf(line, delimiter));
  const [first, ...rest] = rows;
  if (!first) throw new LogError('There is nothing in it.');
  const header = first.every((cell) => !isNumber(cell) && !isDate(cell));
  const body = header ? rest : rows;
  const columns = header ? first : first.map((_, i) => `column ${i + 1}`);
  const filled = (i: number): string[] => body.map((row) => row[i] ?? '').filter((c) => c !== '');
  // A column of readings may hold a slip; its place is told when it is read.
  const numeric = columns
    .map((_, i) => i)
    .filter(
      (i) => filled(i).some(isNumber) && 2 * filled(i).filter(isNumber).length >= filled(i).length,
    );
  const dated = columns.findIndex((_, i) => filled(i).length > 0 && filled(i).every(isDate));
  const rising = numeric.find(
    (i) => /time|zeit|date|sec|^t$|^s$|ms/i.test(columns[i] ?? '') || rises(filled(i)),
  );
  const time = dated >= 0 ? dated : numeric.length > 1 ? (rising ?? -1) : -1;
  const value = numeric.find((i) => i !== time);
  if (value === undefined)
    throw new LogError(
      'No column of it holds numbers: line 1 should name columns, line 2 begin the readings.',
    );
  const mapping: LogMapping = {
    delimiter,
    decimal: body.some((row) => /^[+-]?\d*,\d+$/.test(row[value] ?? '')) ? ',' : '.',
    header,
    time,
    timeUnit: dated >= 0 ? 'date' : timeUnitOf(columns[time] ?? ''),
    value,
    unit: unitOf(columns[value] ?? ''),
  };
  return { mapping, columns, rows: body.slice(0, 5) };
}

/** Takes in the rows of a log bit by bit. */
export class LogReader {
  private readonly times: number[] = [];
  private readonly counts: number[] = [];
  private line = 0;
  private head?: string[];

  constructor(
    private readonly mapping: LogMapping,
    private readonly countsPer: CountsPer,
    /** Seconds between readings of a log without times. */
    private readonly every = 1,
  ) {}

  get readings(): number {
    return this.counts.length;
  }

  /** @throws LogError naming the line of the first row that cannot be read */
  take(rows: readonly (readonly string[])[]): void {
    for (const row of rows) this.takeRow(row);
  }

  /** @throws LogError when there was nothing */
  done(): Log {
    const { counts } = this;
    const [start] = this.times;
    if (start === undefined) throw new LogError('There are no readings in it.');
    const times = this.times.map((t) => t - start);
    return { times, counts, every: this.spacing() };
  }

  private takeRow(row: readonly string[]): void {
    this.line += 1;
    const { mapping, line } = this;
    const first = row[0] ?? '';
    if ((row.length <= 1 && first.trim() === '') || first.startsWith('#')) return;
    if (mapping.header && !this.head) {
      this.head = [...row];
      return;
    }
    // A board names its columns again after a reset.
    if (this.head && row.every((cell, i) => cell === this.head?.[i])) return;
    const needed = Math.max(mapping.time, mapping.value) + 1;
    if (row.length < needed)
      throw new LogError(
        `Line ${line} has ${row.length} of the ${needed} columns that are needed.`,
      );
    const cell = (row[mapping.value] ?? '').trim();
    if (cell === '') return;
    const value = this.number(cell, 'a number');
    const time = row[mapping.time];
    const t = time === undefined ? this.counts.length * this.every : this.timeOf(time);
    if (t < (this.times.at(-1) ?? -Infinity))
      throw new LogError(
        `Line ${line}: the time goes back. Cut the file there and read both pieces.`,
      );
    if (this.counts.length === longestLog)
      throw new LogError(`It has more than ${longestLog} readings: cut it, or read less often.`);
    this.times.push(t);
    this.counts.push(value * this.countsPer[mapping.unit]);
  }

  private timeOf(cell: string): number {
    const { timeUnit } = this.mapping;
    if (timeUnit !== 'date') return this.number(cell.trim(), 'a time') * perTime[timeUnit];
    const seconds = isoSeconds(cell);
    if (Number.isFinite(seconds)) return seconds;
    throw new LogError(`Line ${this.line}: "${cell.slice(0, 40)}" is not a date and time.`);
  }

  private number(cell: string, what: string): number {
    // The quick way first: most logs are long and plain.
    const plain = this.mapping.decimal === '.' ? +cell : NaN;
    const value = Number.isFinite(plain) && cell !== '' ? plain : cellNumber(cell);
    if (Number.isFinite(value)) return value;
    throw new LogError(`Line ${this.line}: "${cell.slice(0, 40)}" is not ${what}.`);
  }

  private spacing(): number {
    const { times } = this;
    if (times.length < 2) return this.every;
    const step = Math.max(1, Math.floor(times.length / 2000));
    const sampled = times.filter((_, i) => i % step === 0);
    const gaps = consecutive(sampled).map(([a, b]) => (b - a) / step);
    gaps.sort((a, b) => a - b);
    return gaps[gaps.length >> 1] || this.every;
  }
}

/** Readings as a meter shows them, typed or pasted: numbers apart by space or line, each with or without a unit. */
export function parseTyped(text: string, countsPer: CountsPer): number[] {
  // A unit that stands apart belongs to the number before it.
  const joined = text.trim().replace(/(\d)\s+(?=(?:mV|V|%|counts)(?:[\s;,]|$))/g, '$1');
  if (joined === '') throw new LogError('There is no number yet.');
  return joined.split(/\s+/).map((word) => {
    const [, number = '', unit = 'counts'] =
      /^([+-]?[\d.,]*\d[.,]?)(mV|V|%|counts)?[;,]?$/.exec(word) ?? [];
    const value = cellNumber(number.replace(/[,.]$/, ''));
    if (!Number.isFinite(value))
      throw new LogError(
        `"${word.slice(0, 40)}" is no reading: write 512, 2.51 V, 640 mV or 50 %.`,
      );
    return value * countsPer[unit as ReadingUnit];
  });
}

const cellsOf = (line: string, delimiter: string): string[] =>
  line
    .split(delimiter === ' ' ? /\s+/ : delimiter)
    .map((cell) => cell.trim().replace(/^"(.*)"$/, '$1'));

const isNumber = (cell: string): boolean => Number.isFinite(cellNumber(cell));
const isDate = (cell: string): boolean => Number.isFinite(isoSeconds(cell));

const rises = (cells: string[]): boolean => {
  const values = cells.map(cellNumber).filter(Number.isFinite);
  return values.length > 2 && consecutive(values).every(([a, b]) => b > a);
};

function timeUnitOf(name: string): LogMapping['timeUnit'] {
  if (/\bms\b|milli/i.test(name)) return 'ms';
  return /\bmin/i.test(name) ? 'min' : 's';
}

function unitOf(name: string): ReadingUnit {
  if (/\bmV\b|milliv/i.test(name)) return 'mV';
  if (/\bV\b|volt/i.test(name)) return 'V';
  return /%|per ?cent/i.test(name) ? '%' : 'counts';
}
