import Papa from 'papaparse';
import type { Recording } from '../design/index.js';
import { cellNumber } from './cell-number.js';
import { largestRecording } from './design-shape.js';

/** Readings read from a file, or why they cannot be, with the line. */
export type RecordingResult =
  | { ok: true; times: Recording['times']; values: Recording['values'] }
  | { ok: false; reason: string; cure: string };

const refuse = (reason: string, cure: string): RecordingResult => ({ ok: false, reason, cure });

/**
 * Reads a recording from CSV (RFC 4180; comma, semicolon or tab; decimal point or comma): the first column is
 * time in seconds, the second volts. A first line that is no numbers is taken as a heading.
 *
 * @param most readings allowed
 */
export function parseRecording(text: string, most = largestRecording): RecordingResult {
  if (text.includes('\u0000')) {
    return refuse('This is not a text file', 'Save the readings as CSV and choose that file.');
  }
  const delimiter = /[;\t]/.exec(text.slice(0, 1000))?.[0] ?? ',';
  const { data } = Papa.parse<string[]>(text.trimEnd(), { delimiter });
  const [first] = data;
  const heading = data.length > 1 && Number.isNaN(cellNumber(first?.[0] ?? '')) ? 1 : 0;
  const rows = data.slice(heading);
  if (rows.length > most) {
    return refuse(`It has ${rows.length} readings; at most ${most} fit`, 'Thin it out or cut it.');
  }
  const times: number[] = [];
  const values: number[] = [];
  for (const [i, row] of rows.entries()) {
    const line = i + heading + 1;
    const [time, reading] = row;
    if (time === undefined || reading === undefined) {
      return refuse(
        `Line ${line} has only one column`,
        'Give time in s and volts, with a comma between.',
      );
    }
    const [t, v] = [cellNumber(time), cellNumber(reading)];
    if (!Number.isFinite(t) || !Number.isFinite(v)) {
      const cell = Number.isFinite(t) ? reading : time;
      return refuse(
        `Line ${line}: "${cell.slice(0, 20)}" is not a number`,
        'Correct or remove that line.',
      );
    }
    if (t < (times[i - 1] ?? -Infinity)) {
      return refuse(`Line ${line}: the time ${t} s goes back`, 'Sort the lines by time.');
    }
    times.push(t);
    values.push(v);
  }
  return times.length === 0
    ? refuse('There are no readings in it', 'Give at least one line of time and volts.')
    : { ok: true, times, values };
}
