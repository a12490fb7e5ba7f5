/** A night that takes too long. Threads run the built program: `npm run build` first. */
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { usualVariation } from '@yurei/core/nights';
import { pino } from 'pino';
import { examine } from '../checking/examine.js';
import { DesignStore } from '../designs/design-store.js';
import { openDatabase } from '../keeping/open-database.js';
import { StudyDesk } from './study-desk.js';
import { StudyStore } from './study-store.js';

const design = JSON.parse(readFileSync('demo/slipway-beam.yurei.json', 'utf8'));

it('gives up nights that take longer than they may, one by one, and says so', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'yurei-desk-'));
  const { database } = await openDatabase(folder);
  const worker = resolve('server/dist/studies/study-worker.js');
  // No thread has even begun within a millisecond.
  const desk = new StudyDesk(new StudyStore(database), worker, pino({ level: 'silent' }), 1);
  const study = {
    scene: design.scenes[0].id,
    vary: usualVariation,
    first: 7,
    count: 3,
    ask: { for: 'nights' },
  };
  const made = examine('create', Buffer.from(JSON.stringify({ design })));
  const asked = examine('study', Buffer.from(JSON.stringify({ design, study })));
  if (!made.ok || !asked.ok) throw new Error('the demo is sound');
  const { id } = await new DesignStore(database).create(made.value);
  const summary = await desk.start(id, asked.value);
  const nights: { case: number; night: { seed: number; trouble: string } }[] = [];
  for await (const some of desk.follow(summary?.id ?? '', 0, new AbortController().signal) ?? [])
    nights.push(...some.map((text) => JSON.parse(text)));
  expect(nights.map((n) => n.night.seed).sort()).toEqual([7, 8, 9]);
  for (const { night } of nights) expect(night.trouble).toMatch(/longer than 0\.001 s/);
  await desk.close();
  await database.close();
  rmSync(folder, { recursive: true, force: true });
});
