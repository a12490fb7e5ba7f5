/** Code of the maker's own: it stands in the program, runs where it is told to, and comes back out of a changed file. */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import { applyEdit, emptyDesign, type Design, type OwnCode } from '../design/index.js';
import { readDesign, writeDesign } from '../exchange/index.js';
import { demo } from '../testing/demo.js';
import {
  boards,
  eightBitBoard,
  ownCodeIn,
  standInJob,
  writeFirmware,
  type Board,
} from './index.js';
import { compileCpp, shim } from './testing/host.js';

const beam = demo('slipway-beam');
const withCode = (code: OwnCode, design = beam): Design => ({
  ...design,
  controller: { ...design.controller, code },
});

it('runs at the start, in each pass, and when something happens', () => {
  const code: OwnCode = {
    top: 'int passes = 0;\nstd::string known;',
    start: 'passes = 100;',
    pass: 'passes++;',
    event: 'known += std::string(kind) + " " + of + " " + what + ";";',
  };
  const folder = mkdtempSync(join(tmpdir(), 'yurei-own-'));
  const ranWith = (quiet: boolean): string => {
    const { written } = writeFirmware(withCode(code), eightBitBoard, quiet);
    const main = `int main() {
      pins[A0] = 500;
      setup();
      for (; clockMs < 20000; clockMs++) {
        if (clockMs == 5000) pins[A0] = 0;
        if (clockMs == 6000) pins[A0] = 500;
        loop();
      }
      printf("%d %s", passes, known.c_str());
    }`;
    const program = compileCpp(folder, [shim, written.text, main].join('\n'));
    return execFileSync(program, { encoding: 'utf8' });
  };
  try {
    for (const quiet of [false, true])
      expect(ranWith(quiet)).toBe('20100 rule r1 begins;rule r1 ends;');
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
});

it('Python takes it as the body of functions, and nothing but a comment too', () => {
  const folder = mkdtempSync(join(tmpdir(), 'yurei-own-'));
  const design = demo('watch-seat-timer');
  const code: OwnCode = {
    top: 'steps = 0',
    start: '# nothing yet',
    pass: 'global steps\nif steps < 5:\n    steps += 1',
    event: '',
  };
  const edited = Object.entries(code).reduce(
    (all, [place, text]) =>
      applyEdit(all, { type: 'set-code', place: place as keyof OwnCode, text }),
    design,
  );
  try {
    const file = join(folder, 'main.py');
    writeFileSync(file, writeFirmware(edited, boards['radio board']).written.text);
    execFileSync('/usr/bin/python3', ['-W', 'error', '-m', 'py_compile', file], { stdio: 'pipe' });
    execFileSync('/usr/bin/pyflakes3', [file], { stdio: 'pipe' });
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
  // What is empty is left out.
  expect(Object.keys(edited.controller.code ?? {})).toEqual(['top', 'start', 'pass']);
});

const line = fc
  .string({ maxLength: 30, unit: 'grapheme' })
  .map((text) => text.replace(/[\p{Cc}\p{Zl}\p{Zp}]/gu, ' ').trimEnd());
const lines = fc
  .array(line, { minLength: 1, maxLength: 5 })
  .map((all) => all.join('\n').replace(/^ +/gm, '').trim())
  .filter((text) => text !== '' && !/>>>|<<</.test(text));

it('comes back out of the file as it was written, on every board', () => {
  const designs: [Board, Design][] = [
    [eightBitBoard, beam],
    [boards['radio board'], demo('watch-seat-timer')],
    [boards['40-pin chip'], demo('bench-test-jig')],
  ];
  fc.assert(
    fc.property(fc.record({ top: lines, pass: lines, event: lines }), (code) => {
      for (const [board, design] of designs) {
        const { text } = writeFirmware(withCode(code, design), board).written;
        expect(ownCodeIn(text)).toEqual(code);
        expect(ownCodeIn(text.replaceAll('\n', '\r\n'))).toEqual(code);
      }
    }),
    { numRuns: 30 },
  );
});

it('is kept in the file of a design, refused with control characters, and lost by no other setting', () => {
  const own = applyEdit(withCode({ pass: 'a();\n\tb();' }), {
    ...{ type: 'set-controller', watchdog: 2 },
  });
  const read = readDesign(writeDesign(own));
  expect(read.ok && read.design.controller).toEqual(own.controller);
  expect(own.controller).toMatchObject({ watchdog: 2, code: { pass: 'a();\n\tb();' } });
  const bad = readDesign(writeDesign(withCode({ pass: 'a\u0007' })));
  expect(bad.ok ? [] : bad.problems).toMatchObject([
    {
      place: 'controller.code.pass',
      reason: expect.stringMatching(/has control characters/) as string,
    },
  ]);
});

it('is told of, and nothing of it is run in a proof', () => {
  const design = withCode({ top: 'import socket' }, demo('watch-seat-timer'));
  const { remarks } = writeFirmware(design, boards['radio board']);
  expect(remarks.map((r) => r.place)).toContain('your own code');
  const course = { length: 10, clock: 0, changes: [], cuts: [] };
  expect(standInJob(design, boards['radio board'], course).source).not.toMatch(/socket|own code/);
});

it('a design without it has no marks', () => {
  expect(ownCodeIn(writeFirmware(beam, eightBitBoard).written.text)).toEqual({});
  expect(emptyDesign('x').controller.code).toBeUndefined();
});
