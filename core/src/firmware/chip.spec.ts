/** Programs of the 5 V board as machine code of its chip decide as they were rehearsed, in a simulator of its instructions. */
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import fc from 'fast-check';
import { askedAt } from '../catalog/index.js';
import { emptyDesign, type Design } from '../design/index.js';
import { demo } from '../testing/demo.js';
import { chipBoard, eightBitBoard, lacksOf, writeFirmware } from './index.js';
import { arbitraryCourse } from './testing/arbitrary-course.js';
import { arbitraryProgram } from './testing/arbitrary-program.js';
import { onChip, onEightBitBoard, type On } from './testing/boards-on.js';
import { bareChip, boardChip, playOnChip, type Chip, type OnChip } from './testing/chip-host.js';
import type { Job } from './testing/host.js';
import { differences } from './testing/random-jobs.js';

/** A program with courses without power cuts: the simulator has none. */
const job = (design: Design, i: number, each: number, length: number): Job => ({
  design,
  courses: fc
    .sample(arbitraryCourse(design, length), { seed: i + 1, numRuns: each })
    .map((course) => ({ ...course, cuts: [] })),
});

const standsOf = (played: readonly OnChip[]) => played.map(({ stands }) => stands);

const document = 'docs/firmware.md';

/** A table of sizes and times, begun by what its rows are. */
const tableOf = (
  rows: string,
  mhz: number,
  jobs: readonly Job[],
  played: readonly OnChip[],
): string[] => [
  `| ${rows} | flash, bytes | RAM, bytes | longest pass, cycles | … µs at ${mhz} MHz |`,
  '| --- | --: | --: | --: | --: |',
  ...jobs.map(({ design }, i) => {
    const { flash = 0, ram = 0, cycles = 0 } = played[i] ?? {};
    const cells = [design.title, flash, ram, cycles, Math.round(cycles / mhz)];
    return `| ${cells.join(' | ')} |`;
  }),
];

/** Holds the document to what was measured, or writes it there. */
function keepTable(rows: string, table: readonly string[]): void {
  const told = readFileSync(document, 'utf8');
  const begin = told.indexOf(`| ${rows} `);
  const end = told.indexOf('\n\n', begin);
  if (process.env.YUREI_WRITE)
    return writeFileSync(document, told.slice(0, begin) + table.join('\n') + told.slice(end));
  const cells = (line: string): string[] => line.split('|').map((cell) => cell.trim());
  const known = told.slice(begin, end).split('\n').map(cells);
  for (const line of table.slice(2)) {
    const [, title, ...numbers] = cells(line);
    const row = known.find(([, called]) => called === title);
    // Another release of the compiler makes other code.
    numbers.slice(0, 4).forEach((n, i) => {
      const before = Number(row?.[i + 2]);
      expect([title, Math.abs(Number(n) - before) <= 0.15 * before]).toEqual([title, true]);
    });
  }
}

describe('the demo designs', () => {
  const jobs = readdirSync('demo')
    .map((file) => demo(file.replace('.yurei.json', '')))
    .filter((design) => lacksOf(design, eightBitBoard).length === 0)
    .map((design, i) => job(design, i, 4, 3000));
  let played: OnChip[] = [];
  beforeAll(() => {
    played = playOnChip(jobs);
  });

  it('decide as they were rehearsed', () => {
    expect(jobs.length).toBeGreaterThan(12);
    expect(differences(jobs, standsOf(played))).toEqual([]);
  });

  it('fit the chip, and are as large and as fast as the document tells', () => {
    for (const [i, { flash, ram, cycles }] of played.entries()) {
      expect(flash).toBeLessThan(32_256);
      // What is told before anything is compiled: the compiler adds what the board's functions take.
      const told = writeFirmware(jobs[i]?.design ?? emptyDesign(''), eightBitBoard);
      const added = ram - (told.ram?.takes ?? 0);
      expect(added).toBeGreaterThan(0);
      expect(added).toBeLessThan(120);
      // The library of the tests is a kilobyte smaller than is reckoned with.
      const ratio = ((told.flash?.takes ?? 0) - 1000) / flash;
      expect([told.written.spans[0]?.title, Math.abs(ratio - 1) < 0.12]).toEqual([
        jobs[i]?.design.title,
        true,
      ]);
      expect(told.pass?.decides).toBeGreaterThan(cycles / 16);
      expect(told.pass?.decides).toBeLessThan((20 * cycles) / 16);
    }
    keepTable('design', tableOf('design', 16, jobs, played));
  });
});

it.each<[string, Chip, On]>([
  ['of the 5 V board', boardChip, onEightBitBoard],
  ['of the bare chip, by its own registers', bareChip, onChip],
])('random programs decide as they were rehearsed, as machine code %s', (_, chip, on) => {
  const able = arbitraryProgram(on).filter(
    (design) =>
      lacksOf(design, chip.board).length === 0 &&
      // Nor does the runtime of the 5 V board ever wake it.
      (chip !== boardChip || !design.controller.sleep) &&
      // The simulator has no echoes, and charges nothing.
      design.channels.every((c) => (askedAt(design, c.pin)?.by ?? 'register') === 'register'),
  );
  const jobs = fc
    .sample(able, { seed: 22, numRuns: 20 })
    .map((design, i) => job(design, i, 3, 1500));
  const played = playOnChip(jobs, chip);
  expect(differences(jobs, standsOf(played))).toEqual([]);
  // What is reckoned before is no less than what came.
  const mhz = chip === boardChip ? 16 : 8;
  for (const [i, { cycles, flash }] of played.entries()) {
    const told = writeFirmware(jobs[i]?.design ?? emptyDesign(''), chip.board);
    const { decides = 0, tells = 0 } = told.pass ?? {};
    expect(
      Math.abs(((told.flash?.takes ?? 0) - (chip === boardChip ? 1000 : 0)) / flash - 1),
    ).toBeLessThan(0.35);
    expect(decides + tells).toBeGreaterThan(cycles / mhz);
  }
});

it('the demo designs of the bare chip decide as they were rehearsed', () => {
  const jobs = ['bench-test-jig', 'mooring-boom'].map((of, i) => job(demo(of), i, 6, 3000));
  const played = playOnChip(jobs, bareChip);
  expect(differences(jobs, standsOf(played))).toEqual([]);
  const rows = 'design of the bare chip';
  keepTable(rows, tableOf(rows, 8, jobs, played));
});

it('a program that sleeps by its watchdog is taken by the compiler of the chip', () => {
  const beam = demo('slipway-beam');
  const design = { ...beam, controller: { ...beam.controller, sleep: { every: 30, awake: 0.1 } } };
  expect(writeFirmware(design, eightBitBoard).written.text).toMatch(/napFor\(wakesAt - now\);/);
  const [made] = playOnChip([{ design, courses: [] }]);
  expect(made?.flash).toBeGreaterThan(3000);
});

it('the bare chip opens its serial line also where nothing but rules is told, and none that is quiet', () => {
  const [design] = fc.sample(arbitraryProgram(onChip), { seed: 23, numRuns: 1 });
  if (!design) throw new Error('There is none.');
  const plain = { ...design, notices: [], outputs: design.outputs.slice(0, 2) };
  const text = (quiet: boolean): string => writeFirmware(plain, chipBoard, quiet).written.text;
  expect(text(false)).toMatch(/UDR = \*text;[^]*UCSRB = _BV\(TXEN\)/);
  expect(text(true)).not.toMatch(/UDR|UCSRB/);
  const jobs = [job(plain, 0, 3, 1500)];
  expect(differences(jobs, standsOf(playOnChip(jobs, bareChip)))).toEqual([]);
});
