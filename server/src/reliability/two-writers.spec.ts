/** Another program that writes to the database, and another server on the same folder. */
import { mkdtempSync, readdirSync, readFileSync, rmSync, statSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { openRaw, type RawDatabase } from '../keeping/raw-database.js';
import { ChildServer } from '../testing/child-server.js';
import { demo, Saver } from '../testing/saver.js';

let folder: string;
let data: string;
let server: ChildServer;

beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'yurei-two-'));
  data = join(folder, 'data');
  server = await ChildServer.start(data);
});
afterEach(async () => {
  await server.kill();
  rmSync(folder, { recursive: true, force: true });
});
const outside = (): RawDatabase => openRaw(join(data, 'yurei.sqlite'), 2000);

describe('another program', () => {
  it('that holds the database is told of, and service is back with the first request after it', async () => {
    const saver = await Saver.begin(server, 'Loft');
    const other = outside();
    other.exec('BEGIN IMMEDIATE');
    const { status, body } = await saver.save();
    expect([status, body['title']]).toEqual([503, 'The database is in use']);
    expect((await server.call('GET', '/designs')).body).toHaveLength(1);
    other.exec('ROLLBACK');
    expect((await saver.save()).status).toBe(200);
    expect(await saver.verify()).toBe('');
    other.close();
  });

  it('that writes between saves wedges nothing; what it wrote is shown at once', async () => {
    const saver = await Saver.begin(server, 'Loft');
    const other = outside();
    for (let i = 0; i < 40; i++) {
      other.exec(`UPDATE design SET purpose = 'seen ${i}'`);
      const [shown] = (await server.call('GET', '/designs')).body as unknown as {
        purpose: string;
      }[];
      expect(shown.purpose).toBe(`seen ${i}`);
      expect((await saver.save()).status).toBe(200);
    }
    other.close();
  });

  it('that writes all the time lets saves through or has them told', async () => {
    const saver = await Saver.begin(server, 'Loft');
    const other = outside();
    let going = true;
    const writing = (async () => {
      for (let i = 0; going; i++) {
        other.exec(`BEGIN IMMEDIATE; UPDATE design SET site = 'x${i}'; COMMIT`);
        await new Promise((go) => setTimeout(go, 3));
      }
    })();
    for (let i = 0; i < 30; i++) expect((await saver.save()).status).toBe(200);
    going = false;
    await writing;
    expect(await saver.verify()).toBe('');
    other.close();
  });
});

describe('another server', () => {
  /** Every file with its size and contents, but what SQLite shares in memory. */
  const state = (): string[] =>
    readdirSync(data, { recursive: true })
      .map(String)
      .filter((name) => !name.endsWith('-shm') && statSync(join(data, name)).isFile())
      .map((name) => `${name} ${readFileSync(join(data, name)).toString('base64')}`);

  it('on the same folder is refused, says who has it, and touches nothing', async () => {
    await Saver.begin(server, 'Loft');
    const before = state();
    await expect(ChildServer.start(data)).rejects.toThrow(
      new RegExp(`is in use by another Yurei \\(process ${server.child.pid} at ${server.address}`),
    );
    expect(state()).toEqual(before);
  });

  it('on the same folder and port is told the same', async () => {
    const { port } = new URL(server.address);
    await expect(ChildServer.start(data, { PORT: port })).rejects.toThrow(
      /is in use by another Yurei/,
    );
  });

  it('that finds its port taken leaves a study of the first one running', async () => {
    const saver = await Saver.begin(server, 'Loft');
    const study = {
      scene: (demo['scenes'] as { id: string }[])[0].id,
      vary: { tolerances: true, temperature: 1, supply: 0, start: 1, strength: 0, place: 0 },
      first: 1,
      count: 5000,
      ask: { for: 'nights' },
    };
    const { body } = await server.call('POST', `/designs/${saver.id}/studies`, {
      design: demo,
      study,
    });
    const taken = createServer().listen(0, '127.0.0.1');
    await new Promise((go) => taken.once('listening', go));
    const { port } = taken.address() as { port: number };
    await expect(ChildServer.start(data, { PORT: String(port) }))
      .rejects.toThrow(/in use/)
      .finally(() => taken.close());
    const kept = (await server.call('GET', `/studies/${String(body['id'])}`)).body;
    expect(kept['state']).toBe('running');
  });

  it('may have the folder as soon as the first one is killed', async () => {
    await server.kill();
    server = await ChildServer.start(data);
    expect((await server.call('GET', '/health')).status).toBe(200);
  });
});
