import { execFileSync } from 'node:child_process';
import { createRequire } from 'node:module';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { standIn, type StandInJob } from '../index.js';

const script = `
import { createInterface } from 'node:readline';
const [, , path, source] = process.argv;
const { loadMicroPython } = await import(path);
const python = await loadMicroPython({ heapsize: 2 ** 26 });
python.runPython(source);
for await (const line of createInterface({ input: process.stdin })) {
  python.globals.set('text', line);
  python.runPython('told = play(text)');
  console.log(python.globals.get('told'));
}
`;

/** What the stand-in tells of each job, as MicroPython runs it. */
export function playInMicroPython(jobs: readonly StandInJob[]): string[] {
  const folder = mkdtempSync(join(tmpdir(), 'yurei-micropython-'));
  try {
    const driver = join(folder, 'driver.mjs');
    writeFileSync(driver, script);
    const find = createRequire(resolve('web/package.json'));
    const path = find.resolve('@micropython/micropython-webassembly-pyscript/micropython.mjs');
    const input = jobs.map((job) => `${JSON.stringify(job)}\n`).join('');
    const options = { input, maxBuffer: 1 << 30, encoding: 'utf8' } as const;
    return execFileSync('node', [driver, path, standIn], options).trimEnd().split('\n');
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
