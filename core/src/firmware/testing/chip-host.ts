import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { askedAt, channelReader } from '../../catalog/index.js';
import type { Channel, Design } from '../../design/index.js';
import {
  chipBoard,
  eightBitBoard,
  standOf,
  writeFirmware,
  type Board,
  type Course,
  type Firmware,
  type Stand,
} from '../index.js';
import { turnsOf } from '../proof/stand-in-inputs.js';
import { chipRuntime, simulator } from './chip-runtime.js';
import { pinNumber, type Job } from './host.js';

/** What came of a program as machine code. */
export interface OnChip {
  stands: Stand[][];
  /** What it told over its serial line, where something was typed. */
  told: string[];
  /** Cycles of the longest pass, at 16 MHz. */
  cycles: number;
  /** Bytes of flash and of RAM, without the stack. */
  flash: number;
  ram: number;
}

const data = 0x800000;

/** A chip, and how a program for it is compiled. */
export interface Chip {
  board: Board;
  mcu: string;
  /** What is compiled, of a program. */
  source(written: string): string;
  compiler: string;
  standard: string;
  /** The number of a pin by which the simulator calls it. */
  pin(ref: string): number;
  /** The function at which a pass begins, where the simulator stops at it; else a turn is told by the runtime. */
  passes?: string;
  clock: string;
}

/** The chip of the 5 V board, with a runtime of the tests' own in the place of the board's library. */
export const boardChip: Chip = {
  board: eightBitBoard,
  mcu: 'atmega328p',
  source: (written) => `${chipRuntime}\n${written.replace(/^#include <(EEPROM|Wire).h>$/gm, '')}`,
  compiler: 'avr-g++',
  standard: 'gnu++11',
  pin: pinNumber,
  clock: 'clockMs',
};

/** The bare chip with 40 pins, the program as it is. */
export const bareChip: Chip = {
  board: chipBoard,
  mcu: 'atmega32',
  source: (written) => written,
  compiler: 'avr-gcc',
  standard: 'gnu11',
  pin: (ref) => {
    const [, port = 'A', bit = '0'] = /\.P([A-D])(\d)$/.exec(ref) ?? [];
    return 8 * 'ABCD'.indexOf(port) + Number(bit);
  },
  passes: 'makePass',
  clock: 'now',
};

/** Runs programs as machine code of a chip, in a simulator of its instructions. */
export function playOnChip(jobs: readonly Job[], chip = boardChip): OnChip[] {
  const folder = mkdtempSync(join(tmpdir(), 'yurei-chip-'));
  try {
    const source = join(folder, 'simulator.c');
    const run = join(folder, 'simulator');
    writeFileSync(source, simulator);
    execFileSync('gcc', ['-O2', '-o', run, source, '-lsimavr', '-lelf'], { stdio: 'pipe' });
    return jobs.map((job) => playOne(folder, run, job, chip));
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

function playOne(folder: string, run: string, job: Job, chip: Chip): OnChip {
  const { design, courses } = job;
  const { written, names } = writeFirmware(design, chip.board);
  const program = compile(folder, chip, written, chip.passes ? ['-fno-inline'] : []);
  const symbols = symbolsOf(program);
  const at = (name: string): { at: number; size: number } => {
    const found = symbols.get(name);
    if (!found) throw new Error(`The program has no ${name}.`);
    return found;
  };
  const seen = (kind: string, of: string): string => `${kind} ${at(of).at} ${at(of).size}`;
  const day = names.asksClock ? at('clockStart').at : 0;
  const lines = [
    ...(job.typed ? [`w ${job.typed.replaceAll('\n', '~')}`] : []),
    `T ${at(chip.clock).at} ${chip.passes ? 0 : at('duties').at} ${day}`,
    ...[...names.channels.values()].map((of) => seen('c', of)),
    ...[...names.modes.values()].map((of) => seen('m', of.variable)),
    ...[...names.counters.values()].map((of) => seen('k', of)),
    ...[...names.rules.values()].map((of) => seen('r', of)),
    ...design.notices.map((of) => `n ${of.name}`),
    ...design.outputs.map((o) => `o ${chip.pin(o.pin)}`),
    ...design.channels.flatMap((c) =>
      askedAt(design, c.pin) ? [] : [`i ${inputOf(design, chip, c)}`],
    ),
    ...courses.flatMap((course) => courseLines(job, chip, course)),
  ];
  const input = lines.map((line) => `${line}\n`).join('');
  const options = { input, maxBuffer: 1 << 30, encoding: 'utf8' } as const;
  const passAt = chip.passes ? at(chip.passes).at : 0;
  const out = execFileSync(run, [program, chip.mcu, String(passAt)], options);
  const told = out.split(/^longest (\d+)\n/m);
  const longest = courses.map((_, i) => Number(told[2 * i + 1]));
  const plain = chip.passes ? compile(folder, chip, written, []) : program;
  return {
    stands: courses.map((_, i) => linesOf(told[2 * i] ?? '').map(standOf)),
    told: out.split('\n').flatMap((line) => (line.startsWith('= ') ? [line.slice(2)] : [])),
    cycles: Math.max(...longest),
    ...sizesOf(plain),
  };
}

function compile(
  folder: string,
  { mcu, source, compiler, standard }: Chip,
  written: Firmware['written'],
  more: readonly string[],
): string {
  const [text, program] = [
    join(folder, compiler.endsWith('+') ? 'program.cpp' : 'program.c'),
    join(folder, 'program.elf'),
  ];
  writeFileSync(text, source(written.text));
  const options = [
    `-mmcu=${mcu}`,
    `-std=${standard}`,
    '-Os',
    '-Wall',
    '-Wextra',
    '-Werror',
    ...more,
  ];
  execFileSync(compiler, [...options, '-o', program, text, '-lm'], { stdio: 'pipe' });
  return program;
}

/** What the simulator says of its own, without what it says of loading. */
const linesOf = (told: string): string[] =>
  told.split('\n').flatMap((line) => (line.startsWith('> ') ? [line.slice(2)] : []));

/** The number of a channel's pin, and whether it is read by the converter: 1 or 0. */
const inputOf = (design: Design, chip: Chip, { pin }: Pick<Channel, 'pin'>): string =>
  `${chip.pin(pin)} ${channelReader(design, pin)?.by === 'converter' ? 1 : 0}`;

function courseLines({ design }: Job, chip: Chip, course: Course): string[] {
  const analogue = new Set(
    design.channels.flatMap((c) =>
      channelReader(design, c.pin)?.by === 'converter' ? [chip.pin(c.pin)] : [],
    ),
  );
  return [
    'p',
    ...turnsOf(design, course, chip.pin).map(
      ([at, input, value]) => `s ${at} ${input} ${value} ${analogue.has(input) ? 1 : 0}`,
    ),
    `g ${course.length} ${course.clock}`,
  ];
}

/** Where variables lie in RAM and functions in flash, and how large they are. */
function symbolsOf(program: string): Map<string, { at: number; size: number }> {
  const out = execFileSync('avr-nm', ['-S', program], { encoding: 'utf8' });
  return new Map(
    out.split('\n').flatMap((line) => {
      const [at, size, kind, name] = line.trim().split(/\s+/);
      if (!name || !/[bBdDtT]/.test(kind ?? '')) return [];
      const address = parseInt(at ?? '', 16);
      const from = /[tT]/.test(kind ?? '') ? 0 : data;
      return [[name, { at: address - from, size: parseInt(size ?? '', 16) }]];
    }),
  );
}

function sizesOf(program: string): { flash: number; ram: number } {
  const [, line] = execFileSync('avr-size', [program], { encoding: 'utf8' }).split('\n');
  const [text = 0, initial = 0, zero = 0] = (line ?? '').trim().split(/\s+/).map(Number);
  return { flash: text + initial, ram: initial + zero };
}
