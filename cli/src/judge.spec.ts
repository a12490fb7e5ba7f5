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
  // Nothing missed in 3: at most 1 − 0.025^(1/3).
  expect(text).toMatch(/Missed: 0 of 3; truly 0.00 % to 70.8 %/);
  expect(text).toMatch(/False: 0 of 7; truly 0.00 % to 41.0 %/);
  expect(text).toMatch(/100.0 % of pairs/);
  expect(text).toMatch(/Empty slipway +300.0 ± 1.6 counts/);
});

it('judges a line that is asked for, and tells how often noise passes it', async () => {
  const { json, text } = await judgeFile(readings(evening), { line: '301', every: '1' });
  expect(json).toMatchObject({ line: 301, falses: { events: 3, tries: 7 }, misses: { events: 0 } });
  expect(text).toMatch(/Empty slipway.*false triggers a day/);
});

it('a line on readings of one kind: what cannot be told says so', async () => {
  const { text } = await judgeFile(readings('set,intent,counts\na,quiet,1\na,quiet,3'), {
    line: '2',
  });
  expect(text).toMatch(/Missed: no such readings/);
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
