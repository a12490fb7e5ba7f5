/** The program is killed at random moments while several makers save. */
import fc from 'fast-check';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ChildServer } from '../testing/child-server.js';
import { Saver } from '../testing/saver.js';
import { scale } from '../testing/scale.js';

it('loses nothing that it acknowledged', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'yurei-kills-'));
  const data = join(folder, 'data');
  const kills = scale(15, 1000);
  const pauses = fc.sample(fc.integer({ min: 0, max: 250 }), { numRuns: kills, seed: 15 });
  let server = await ChildServer.start(data);
  const savers: Saver[] = [];
  for (const name of ['Loft', 'Pontoon', 'Slipway', 'Locker'])
    savers.push(await Saver.begin(server, name));
  try {
    for (const [i, pause] of pauses.entries()) {
      let going = true;
      const saving = savers.map(async (saver) => {
        while (going) await saver.save().catch(() => (going = false));
      });
      await new Promise((go) => setTimeout(go, pause));
      await server.kill();
      going = false;
      await Promise.all(saving);
      server = await ChildServer.start(data);
      for (const saver of savers) {
        saver.server = server;
        expect([i, await saver.verify()]).toEqual([i, '']);
      }
    }
    const saves = savers.reduce((sum, s) => sum + s.count, 0);
    expect(saves).toBeGreaterThan(kills);
    console.log(`${kills} kills, ${saves} acknowledged saves, none lost`);
  } finally {
    await server.kill();
    rmSync(folder, { recursive: true, force: true });
  }
});
