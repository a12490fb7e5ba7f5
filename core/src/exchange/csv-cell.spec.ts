import fc from 'fast-check';
import Papa from 'papaparse';
import type { ReadingSet } from '../design/index.js';
import { cellText, parseReadingSets, textCell, writeReadings } from './index.js';

/** Characters at which spreadsheets begin a formula: OWASP, "CSV Injection". */
const dangerous = ['=', '+', '-', '@', '\t', '\r'];

it.each(dangerous)('a text that begins with %j is not run and read back unharmed', (sign) => {
  const text = `${sign}HYPERLINK("x")`;
  expect(dangerous).not.toContain(textCell(text)[0]);
  expect(cellText(textCell(text))).toBe(text);
});

it('any text comes back, with apostrophes of its own or without', () => {
  const cells = fc
    .array(fc.constantFrom("'", '=', '+', '-', '@', '\t', 'a', '1', ' '))
    .map((c) => c.join(''));
  fc.assert(
    fc.property(fc.oneof(cells, fc.string()), (text) => {
      expect(cellText(textCell(text))).toBe(text);
      expect(dangerous).not.toContain(textCell(text)[0]);
    }),
  );
});

it('no cell of exported readings is a formula, negative readings stay numbers', () => {
  const set: ReadingSet = {
    id: 's',
    name: '=cmd|calc',
    channel: 'beam',
    intent: 'quiet',
    origin: 'typed',
    taken: '2026-11-25T21:00:00Z',
    every: 1,
    counts: [-5, 7],
    excluded: [{ at: 1, reason: '@slip' }],
    conditions: { surface: '+grey', temperature: -4 },
    notes: '',
  };
  const text = writeReadings([set]);
  const { data } = Papa.parse<string[]>(text.trimEnd());
  const bare = data
    .slice(1)
    .flat()
    .filter((cell) => dangerous.includes(cell[0]));
  expect(bare.every((cell) => Number.isFinite(Number(cell)))).toBe(true);
  const read = parseReadingSets(text);
  expect(read.ok && read.sets).toEqual([{ name: '=cmd|calc', intent: 'quiet', counts: [-5] }]);
});
