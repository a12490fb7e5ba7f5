import { execFileSync } from 'node:child_process';
import { existsSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { constants, tmpdir } from 'node:os';
import { join, resolve } from 'node:path';

let library: string | undefined;

/** Builds the library that lets system calls fail, with the C compiler that `npm test` installs. */
function libraryOf(): string {
  if (library) return library;
  const to = join(mkdtempSync(join(tmpdir(), 'yurei-faults-')), 'faults.so');
  const source = resolve('server/src/testing/faults.c');
  execFileSync('gcc', ['-shared', '-fPIC', '-O1', '-o', to, source, '-ldl']);
  return (library = to);
}

/** A disk that fills up or fails at the word of a test. */
export class Faults {
  private readonly control: string;
  private id = 0;

  constructor(folder: string) {
    this.control = join(folder, 'faults');
  }

  /** What the server under test is started with. */
  get env(): Record<string, string> {
    return { LD_PRELOAD: libraryOf(), YUREI_FAULTS: this.control };
  }

  /** From now on system calls on the database fail; `first` and `last` count them, from 0. */
  begin(error: 'ENOSPC' | 'EIO', first = 0, last = 1e9): void {
    rmSync(`${this.control}.hit`, { force: true });
    writeFileSync(this.control, `${++this.id} ${constants.errno[error]} ${first} ${last}`);
  }

  end(): void {
    rmSync(this.control, { force: true });
  }

  /** Whether any call has failed since `begin`. */
  get hit(): boolean {
    return existsSync(`${this.control}.hit`);
  }
}
