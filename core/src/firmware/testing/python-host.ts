import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { standIn, standInJob, standOf, writeFirmware, type Board, type Stand } from '../index.js';
import type { Job } from './host.js';

/** Debian's. */
const python = '/usr/bin/python3';

/** What a linter finds fault with. */
function lint(folder: string, board: Board, jobs: readonly Job[]): void {
  const files = jobs.map(({ design }, i) => {
    const file = join(folder, `program${i}.py`);
    writeFileSync(file, writeFirmware(design, board).written.text);
    return file;
  });
  execFileSync(python, ['-W', 'error', '-m', 'py_compile', ...files], { stdio: 'pipe' });
  execFileSync('/usr/bin/pyflakes3', files, { stdio: 'pipe' });
}

/** How each program stands through each of its courses, as Python 3 does it. */
export function playInPython(board: Board, jobs: readonly Job[]): Stand[][][] {
  const folder = mkdtempSync(join(tmpdir(), 'yurei-python-'));
  try {
    const driver = join(folder, 'driver.py');
    writeFileSync(
      driver,
      `${standIn}\nfor text in sys.stdin:\n    sys.stdout.write(play(text) + "\\n")\n`,
    );
    lint(folder, board, jobs);
    const asked = jobs.flatMap(({ design, courses }) =>
      courses.map((course) => JSON.stringify(standInJob(design, board, course))),
    );
    const input = asked.map((text) => `${text}\n`).join('');
    const out = execFileSync(python, [driver], { input, maxBuffer: 1 << 30, encoding: 'utf8' });
    const told = out
      .trimEnd()
      .split('\n')
      .map((line) => JSON.parse(line) as { lines: string[] });
    let first = 0;
    return jobs.map(({ courses: { length } }) =>
      told.slice(first, (first += length)).map(({ lines }) => lines.map(standOf)),
    );
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
