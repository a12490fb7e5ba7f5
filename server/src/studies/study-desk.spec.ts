/** Trials that do not end well. Processes run the built program: `npm run build` first. */
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { usualVariation } from '@yurei/core/trials';
import { pino } from 'pino';
import { examine } from '../checking/examine.js';
import { DesignStore } from '../designs/design-store.js';
import type { Database } from '../keeping/database.js';
import { openDatabase } from '../keeping/open-database.js';
import { StudyDesk } from './study-desk.js';
import { StudyStore } from './study-store.js';

const design = JSON.parse(readFileSync('demo/slipway-beam.yurei.json', 'utf8'));

let folder: string;
let database: Database;
beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'yurei-desk-'));
  ({ database } = await openDatabase(folder));
});
afterEach(async () => {
  await database.close();
  rmSync(folder, { recursive: true, force: true });
});

const deskWith = (limit?: number): StudyDesk => {
  const worker = resolve('server/dist/studies/study-worker.js');
  return new StudyDesk(new StudyStore(database), worker, pino({ level: 'silent' }), limit);
};

/** Begins a study of some trials from seed 7 on. */
async function begin(desk: StudyDesk, count: number): Promise<string> {
  const study = {
    scene: design.scenes[0].id,
    vary: usualVariation,
    first: 7,
    count,
    ask: { for: 'nights' },
  };
  const made = examine('create', Buffer.from(JSON.stringify({ design })));
  const asked = examine('study', Buffer.from(JSON.stringify({ design, study })));
  if (!made.ok || !asked.ok) throw new Error('the demo is sound');
  const { id } = await new DesignStore(database).create(made.value);
  return (await desk.start(id, asked.value))?.id ?? '';
}

interface Told {
  case: number;
  night: { seed: number; trouble?: string };
}

/** The trials of a study as they come. */
async function* trialsOf(desk: StudyDesk, id: string): AsyncGenerator<Told> {
  for await (const some of desk.follow(id, 0, new AbortController().signal) ?? [])
    for (const text of some) yield JSON.parse(text);
}

/** Processes begun by this one that rehearse (proc(5)). */
const rehearsing = (): number[] =>
  readdirSync('/proc')
    .filter((name) => /^\d+$/.test(name))
    .filter((name) => {
      try {
        const parent = readFileSync(`/proc/${name}/stat`, 'utf8').split(') ')[1].split(' ')[1];
        const command = readFileSync(`/proc/${name}/cmdline`, 'utf8');
        return Number(parent) === process.pid && command.includes('study-worker');
      } catch {
        return false;
      }
    })
    .map(Number);

it('gives up nights that take longer than they may, one by one, and says so', async () => {
  // No process has even begun within a millisecond.
  const desk = deskWith(1);
  const trials: Told[] = [];
  for await (const told of trialsOf(desk, await begin(desk, 3))) trials.push(told);
  expect(trials.map((n) => n.night.seed).sort()).toEqual([7, 8, 9]);
  for (const { night: trial } of trials) expect(trial.trouble).toMatch(/longer than 0\.001 s/);
  await desk.close();
});

it('rehearses again what a process was at when it was killed', async () => {
  const desk = deskWith();
  const trials: Told[] = [];
  for await (const told of trialsOf(desk, await begin(desk, 12))) {
    if (trials.length === 0) rehearsing().forEach((id) => process.kill(id, 'SIGKILL'));
    trials.push(told);
  }
  expect(trials.map((n) => n.night.seed).sort((a, b) => a - b)).toEqual(
    Array.from({ length: 12 }, (_, i) => 7 + i),
  );
  expect(trials.filter((n) => n.night.trouble !== undefined)).toEqual([]);
  await desk.close();
  expect(rehearsing()).toEqual([]);
});
