/** Turns of processes, with a program that answers after as long as the task says. */
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { TrialProcesses } from './trial-processes.js';
import type { StudyTask } from './study-worker.js';

const folder = mkdtempSync(join(tmpdir(), 'yurei-nights-'));
const program = join(folder, 'answers.mjs');
writeFileSync(
  program,
  "process.on('message', (t) => setTimeout(() => process.send({ nights: [t.id] }), t.case));",
);
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const task = (id: string, ms: number): StudyTask => ({
  id,
  document: '',
  study: '',
  case: ms,
  seeds: [1],
});
const never = new AbortController().signal;

it('whoever is cancelled while waiting goes at once, and those behind still get their turn', async () => {
  const pool = new TrialProcesses(program, 1);
  const ended: string[] = [];
  const note = (id: string, ms: number, signal = never): Promise<unknown> =>
    pool
      .rehearse(task(id, ms), 60_000, signal)
      .then(([trial]) => ended.push(trial))
      .catch(() => ended.push(`${id} cancelled`));
  const cancel = new AbortController();
  const all = [
    note('first', 1500),
    note('second', 1, cancel.signal),
    note('third', 1),
    note('fourth', 1, cancel.signal),
    note('fifth', 1),
  ];
  setTimeout(() => cancel.abort(), 100);
  await Promise.all(all);
  expect(ended).toEqual(['second cancelled', 'fourth cancelled', 'first', 'third', 'fifth']);
  await pool.close();
});
