import { splitRef, type Channel } from '../design/index.js';

/** The version of the line protocol; docs/bench-protocol.md is its text. */
export const protocolVersion = 1;
/** Longer lines are not taken. */
export const longestLine = 8000;
/** Most readings a second. */
export const highestRate = 1000;

/** What a line from a board is. */
export type BoardLine =
  | { kind: 'columns'; columns: string[] }
  | { kind: 'readings'; t: number; counts: (number | undefined)[] }
  | { kind: 'said'; text: string }
  | { kind: 'broken'; reason: string };

/** Takes in a line from a board: `#` and words, the names of the columns, or a time and counts. */
export function parseBoardLine(line: string): BoardLine {
  const text = line.trim();
  if (text.startsWith('#')) return { kind: 'said', text: text.slice(1).trim() };
  const cells = text.split(',').map((cell) => cell.trim());
  if (cells[0] === 'time') return { kind: 'columns', columns: cells.slice(1) };
  const t = Number(cells[0]);
  if (cells.length < 2 || cells[0] === '' || !Number.isFinite(t) || t < 0)
    return { kind: 'broken', reason: `"${text.slice(0, 40)}" does not begin with a time` };
  const read = cells.slice(1);
  const wrong = read.find((cell) => !Number.isFinite(Number(cell)));
  return wrong === undefined
    ? { kind: 'readings', t, counts: read.map((cell) => (cell === '' ? undefined : Number(cell))) }
    : { kind: 'broken', reason: `"${wrong.slice(0, 40)}" is not a count` };
}

/** What a board calls a channel: its pin, or a readout with its part. */
export function columnOf(
  { pin }: Pick<Channel, 'pin'>,
  channels: readonly Pick<Channel, 'pin'>[],
): string {
  const { terminal } = splitRef(pin);
  const alone = channels.every((c) => c.pin === pin || splitRef(c.pin).terminal !== terminal);
  return alone ? terminal : pin;
}

/** Which column a channel's readings stand in; −1 where the board has none for it. */
export const columnFor = (channel: Pick<Channel, 'pin'>, columns: readonly string[]): number => {
  const whole = columns.indexOf(channel.pin);
  return whole >= 0 ? whole : columns.indexOf(splitRef(channel.pin).terminal);
};
