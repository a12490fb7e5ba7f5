/** A full and a failing disk, by faults injected into the system calls of the real server. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ChildServer } from '../testing/child-server.js';
import { Faults } from '../testing/faults.js';
import { Saver } from '../testing/saver.js';

let folder: string;
let faults: Faults;
let server: ChildServer;
let saver: Saver;
const data = (): string => join(folder, 'data');

beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'yurei-faults-'));
  faults = new Faults(folder);
  server = await ChildServer.start(data(), faults.env);
  saver = await Saver.begin(server, 'Loft');
  expect((await saver.save()).status).toBe(200);
});
afterEach(async () => {
  faults.end();
  await server.kill();
  rmSync(folder, { recursive: true, force: true });
});

/** Another server on the same folder finds what this one acknowledged. */
async function startAgain(): Promise<void> {
  server = await ChildServer.start(data(), faults.env);
  saver.server = server;
  expect(await saver.verify()).toBe('');
}

it('says that the disk is full, and keeps all that it acknowledges once there is room', async () => {
  faults.begin('ENOSPC');
  for (let i = 0; i < 3; i++) {
    const { status, body } = await saver.save();
    expect([status, body['title']]).toEqual([507, 'The disk is full']);
    expect(body['detail']).toMatch(/Make room/);
  }
  expect(faults.hit).toBe(true);
  // What is there can be read meanwhile.
  expect((await server.call('GET', '/designs')).status).toBe(200);
  faults.end();
  for (let i = 0; i < 30; i++) expect((await saver.save()).status).toBe(200);
  await server.stop();
  await startAgain();
  expect((await server.call('GET', `/designs/${saver.id}/revisions`)).body).toHaveLength(32);
});

it.each(['EIO', 'ENOSPC'] as const)(
  'at whichever system call of a save %s comes, nothing acknowledged is lost and the next save goes through',
  async (error) => {
    const seen = new Set<number>();
    for (let call = 0; ; call++) {
      faults.begin(error, call, call);
      const { status } = await saver.save();
      seen.add(status);
      const { hit } = faults;
      faults.end();
      // One request after the cause has gone.
      expect([call, (await saver.save().then(retriedAfterConflict)).status]).toEqual([call, 200]);
      expect(await saver.verify()).toBe('');
      if (!hit) break;
    }
    expect([...seen].sort().every((s) => [200, 503, 507].includes(s))).toBe(true);
    expect(seen.size).toBeGreaterThan(1);
    await server.stop();
    await startAgain();
  },
);

it('a disk that fails for a while loses nothing, also when the server is killed right after', async () => {
  for (let round = 0; round < 6; round++) {
    faults.begin('EIO', round, round + 8);
    for (let i = 0; i < 4; i++) expect([200, 409, 503]).toContain((await saver.save()).status);
    faults.end();
    expect(await saver.verify()).toBe('');
    expect((await saver.save()).status).toBe(200);
    await server.kill();
    await startAgain();
  }
});

/** A save whose commit stood although it was told as failed is found by the next one as saved elsewhere. */
async function retriedAfterConflict(
  answer: Awaited<ReturnType<Saver['save']>>,
): Promise<typeof answer> {
  if (answer.status !== 409) return answer;
  expect(await saver.verify()).toBe('');
  return saver.save();
}
