import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { checkFile, exportFile, listCatalog, rehearseFile, solve } from './commands.js';

const demo = 'demo/slipway-beam.yurei.json';
const folder = mkdtempSync(join(tmpdir(), 'yurei-cli-'));
afterAll(() => rmSync(folder, { recursive: true }));

/** The demo with one piece of its text replaced, as a file of its own. */
function variant(from: string, to: string): string {
  const text = readFileSync(demo, 'utf8');
  expect(text).toContain(from);
  const file = join(
    folder,
    `${Math.abs([...to].reduce((h, c) => h * 31 + c.charCodeAt(0), 7)) % 1e9}.json`,
  );
  writeFileSync(file, text.replace(from, to));
  return file;
}

it('catalog lists every kind with a line each', () => {
  expect(listCatalog().text.split('\n').length).toBeGreaterThanOrEqual(10);
});

it('solve prints every net and the counts of each channel', async () => {
  const { text, json, exitCode } = await solve(demo, {});
  expect(text).toMatch(/A0 +4\.01\d\sV/);
  expect(text).toMatch(/Beam +82\d counts/);
  expect(json).toMatchObject({ method: 'newton', problems: [] });
  expect(exitCode).toBe(0);
});

it('check ends with 1 on an error and 0 without', async () => {
  expect((await checkFile(demo, {})).exitCode).toBe(0);
  const report = await checkFile(variant('"threshold": 380', '"threshold": 900'), {});
  expect(report.exitCode).toBe(1);
  expect(report.text).toMatch(/ERROR +Beam is tripped at rest/);
});

it('rehearse tells what was noticed, and ends with 1 on a false alarm', async () => {
  const good = await rehearseFile(demo, { csv: 'wanted' });
  expect(good.text).toMatch(/quiet +nuisance +Gull/);
  expect(good.text).toMatch(/noticed +wanted +Someone walks/);
  expect(good.exitCode).toBe(0);
  const lines = good.csv?.split('\r\n') ?? [];
  expect(lines[0]).toBe('t,channel,counts');
  expect(lines).toHaveLength(1 + 3001 + 1);
  const hasty = await rehearseFile(variant('"hits": 5', '"hits": 1'), {});
  expect(hasty.exitCode).toBe(1);
  expect(hasty.text).toMatch(/fired falsely/);
});

it('export writes what was read', async () => {
  const { json } = await exportFile(demo, { to: 'json' });
  expect(json).toEqual(JSON.parse(readFileSync(demo, 'utf8')));
});

describe('bad input is named', () => {
  const cases: [string, () => Promise<unknown>, RegExp][] = [
    ['a missing file', () => solve('nowhere.json', {}), /nowhere\.json: there is no such file/],
    ['a broken file', () => solve(variant('"parts": [', '"parts": '), {}), /line \d+, column \d+/],
    ['an unknown scene', () => rehearseFile(demo, { scene: 'day' }), /no scene "day".*"night"/],
    ['a bad seed', () => rehearseFile(demo, { seed: 'x' }), /--seed x is not a whole number/],
    [
      'a design without scenes',
      () => rehearseFile(variant('"scenes": [', '"scenes": [], "notes2": ['), {}),
      /notes2/,
    ],
    ['an unknown export', () => exportFile(demo, { to: 'pdf' }), /"pdf" is no kind of export/],
  ];
  it.each(cases)('%s', async (_, work, message) => {
    await expect(work()).rejects.toThrow(message);
  });
});
