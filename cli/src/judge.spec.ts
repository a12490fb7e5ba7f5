import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { judgeFile } from './judge.js';

const folder = mkdtempSync(join(tmpdir(), 'yurei-judge-'));
afterAll(() => rmSync(folder, { recursive: true }));

function readings(text: string): string {
  const file = join(folder, 'readings.csv');
  writeFileSync(file, text);
  return file;
}

const evening = [
  'set;intent;counts',
  ...[301, 299, 302, 300, 298].map((c) => `Empty slipway;quiet;${c}`),
  ...['340,5', '352'].map((c) => `Gull on the rail;nuisance;${c}`),
  ...[610, 655, 640].map((c) => `Someone walks up;wanted;${c}`),
].join('\n');

it('says both errors of the best line with their bounds', async () => {
  const { text } = await judgeFile(readings(evening), {});
  expect(text).toMatch(/Best line: above 481 counts/);
  // Nothing missed in 3: at most 1 − 0.05^(1/3), one-sided.
  expect(text).toMatch(/Misses: 0 % \(0 of 3, ≤ 63 %\)/);
  expect(text).toMatch(/Fires on others: 0 % \(0 of 7, ≤ 35 %\)/);
  expect(text).toMatch(/100.0 % of pairs/);
  expect(text).toMatch(/Empty slipway +300.0 ± 1.6 counts/);
});

it('judges a line that is asked for, and tells how often noise passes it', async () => {
  const { json, text } = await judgeFile(readings(evening), { line: '301', every: '1' });
  expect(json).toMatchObject({ line: 301, falses: { events: 3, tries: 7 }, misses: { events: 0 } });
  // Five readings are too few for a rate.
  expect(text).toMatch(/Empty slipway.*too few readings to tell/);
  const more = [
    ...evening.split('\n'),
    ...[301, 299, 302, 300, 298].map((c) => `Empty slipway;quiet;${c}`),
  ];
  const again = await judgeFile(readings(more.join('\n')), { line: '301', every: '1' });
  expect(again.text).toMatch(/Empty slipway.*fires by noise alone \d+ a day/);
});

it('a line on readings of one kind: what cannot be told says so', async () => {
  const { text } = await judgeFile(readings('set,intent,counts\na,quiet,1\na,quiet,3'), {
    line: '2',
  });
  expect(text).toMatch(/Misses: no such readings/);
  expect(text).toMatch(/both needed/);
  expect(text).not.toMatch(/NaN/);
});

it.each([
  ['set,counts\na,1', {}, /no column "intent"/],
  ['set,intent,counts\na,maybe,1', {}, /Line 2: "maybe" is no intent\. Write wanted, quiet/],
  ['set,intent,counts\na,quiet,one', {}, /Line 2: "one" is not a number/],
  ['set,intent,counts\na,quiet,1\na,wanted,2', {}, /Line 3: set "a" was quiet before/],
  ['set,intent,counts', {}, /no readings/],
  ['set,intent,counts\na,quiet,1\nb,wanted,1', {}, /All readings are the same/],
  ['set,intent,counts\na,quiet,1', {}, /readings that are to be noticed/],
  ['set,intent,counts\na,quiet,1,7', {}, /Line 2 has 4 cells, the first line names 3/],
  ['set,intent,counts\n"a,quiet,1', {}, /Line 2: a quotation mark is not closed/],
  ['set,intent,counts\na,quiet,1e12', {}, /Line 2: 1000000000000 is no count/],
  [evening, { trips: 'over' }, /--trips over: write above or below/],
  [evening, { hits: '1.5' }, /--hits 1.5: give a whole number/],
  [evening, { costMiss: '0' }, /--cost-miss 0: give a number above 0/],
  [evening, { line: 'x' }, /--line x: give a number/],
  [evening, { every: '0 s' }, /--every/],
])('refuses %#, with the reason', async (text, options, reason) => {
  await expect(judgeFile(readings(text), options)).rejects.toThrow(reason);
});

it('says which file is not there', async () => {
  await expect(judgeFile(join(folder, 'none.csv'), {})).rejects.toThrow(/there is no such file/);
});
