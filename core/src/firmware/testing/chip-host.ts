import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { channelReader } from '../../catalog/index.js';
import { eightBitBoard, standOf, writeFirmware, type Course, type Stand } from '../index.js';
import { chipRuntime, simulator } from './chip-runtime.js';
import { pinNumber, type Job } from './host.js';

/** What came of a program as machine code. */
export interface OnChip {
  stands: Stand[][];
  /** Cycles of the longest pass, at 16 MHz. */
  cycles: number;
  /** Bytes of flash and of RAM, without the stack. */
  flash: number;
  ram: number;
}

const data = 0x800000;

/** Runs programs as machine code of the chip, in a simulator of its instructions. */
export function playOnChip(jobs: readonly Job[]): OnChip[] {
  const folder = mkdtempSync(join(tmpdir(), 'yurei-chip-'));
  try {
    const source = join(folder, 'simulator.c');
    const run = join(folder, 'simulator');
    writeFileSync(source, simulator);
    execFileSync('gcc', ['-O2', '-o', run, source, '-lsimavr', '-lelf'], { stdio: 'pipe' });
    return jobs.map((job) => playOne(folder, run, job));
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

function playOne(folder: string, run: string, job: Job): OnChip {
  const { design, courses } = job;
  const { written, names } = writeFirmware(design, eightBitBoard);
  const [source, program] = [join(folder, 'program.cpp'), join(folder, 'program.elf')];
  writeFileSync(source, `${chipRuntime}\n${written.text.replace(/^#include <EEPROM.h>$/gm, '')}`);
  const options = ['-mmcu=atmega328p', '-std=gnu++11', '-Os', '-Wall', '-Wextra', '-Werror'];
  execFileSync('avr-g++', [...options, '-o', program, source], { stdio: 'pipe' });
  const symbols = symbolsOf(program);
  const at = (name: string): { at: number; size: number } => {
    const found = symbols.get(name);
    if (!found) throw new Error(`The program has no variable ${name}.`);
    return found;
  };
  const seen = (kind: string, of: string): string => `${kind} ${at(of).at} ${at(of).size}`;
  const day = names.asksClock ? at('clockStart').at : 0;
  const lines = [
    `T ${at('clockMs').at} ${at('duties').at} ${day}`,
    ...[...names.channels.values()].map((of) => seen('c', of)),
    ...[...names.modes.values()].map((of) => seen('m', of.variable)),
    ...[...names.counters.values()].map((of) => seen('k', of)),
    ...[...names.rules.values()].map((of) => seen('r', of)),
    ...design.notices.map((of) => `n ${of.name}`),
    ...design.outputs.map((o) => `o ${pinNumber(o.pin)}`),
    ...design.channels.map((c) => `i ${inputOf(job, c.id)}`),
    ...courses.flatMap((course) => courseLines(job, course)),
  ];
  const input = lines.map((line) => `${line}\n`).join('');
  const out = execFileSync(run, [program], { input, maxBuffer: 1 << 30, encoding: 'utf8' });
  const told = out.split(/^longest (\d+)\n/m);
  const longest = courses.map((_, i) => Number(told[2 * i + 1]));
  return {
    stands: courses.map((_, i) => linesOf(told[2 * i] ?? '').map(standOf)),
    cycles: Math.max(...longest),
    ...sizesOf(program),
  };
}

/** What the simulator says of its own, without what it says of loading. */
const linesOf = (told: string): string[] =>
  told.split('\n').flatMap((line) => (line.startsWith('> ') ? [line.slice(2)] : []));

/** The number of a channel's pin, and whether it is read by the converter: 1 or 0. */
function inputOf({ design }: Job, channel: string): string {
  const { pin = '' } = design.channels.find((c) => c.id === channel) ?? {};
  return `${pinNumber(pin)} ${channelReader(design, pin)?.by === 'converter' ? 1 : 0}`;
}

const courseLines = (job: Job, { changes, length, clock }: Course): string[] => [
  'p',
  ...changes.map(({ at, channel, counts }) => {
    const [pin, analogue] = inputOf(job, channel).split(' ');
    return `s ${at} ${pin} ${counts} ${analogue}`;
  }),
  `g ${length} ${clock}`,
];

/** Where variables lie in RAM, and how large they are. */
function symbolsOf(program: string): Map<string, { at: number; size: number }> {
  const out = execFileSync('avr-nm', ['-S', program], { encoding: 'utf8' });
  return new Map(
    out.split('\n').flatMap((line) => {
      const [at, size, kind, name] = line.trim().split(/\s+/);
      if (!name || !/[bBdD]/.test(kind ?? '')) return [];
      return [[name, { at: parseInt(at ?? '', 16) - data, size: parseInt(size ?? '', 16) }]];
    }),
  );
}

function sizesOf(program: string): { flash: number; ram: number } {
  const [, line] = execFileSync('avr-size', [program], { encoding: 'utf8' }).split('\n');
  const [text = 0, initial = 0, zero = 0] = (line ?? '').trim().split(/\s+/).map(Number);
  return { flash: text + initial, ram: initial + zero };
}
