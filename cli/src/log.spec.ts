import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { logOf } from './log.js';

const beam = 'demo/slipway-beam.yurei.json';
let folder: string;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'yurei-log-'));
});
afterAll(() => rm(folder, { recursive: true }));

async function kept(name: string, bytes: string | Buffer): Promise<string> {
  const file = join(folder, name);
  await writeFile(file, bytes);
  return file;
}

it('tells how often each rule began, how long it was active, and when', async () => {
  const lines = ['begins', 'ends', 'begins', 'ends'].map(
    (what, i) => `# event ${i + 1}.500 rule r1: ${what}\n`,
  );
  // A board that starts sends what is no text.
  const noise = Buffer.from([0xff, 0xfe, 0x80, 0x0a]);
  const file = await kept('night.txt', Buffer.concat([noise, Buffer.from(lines.join(''))]));
  const { text, csv, exitCode } = await logOf(file, beam);
  expect(text).toMatch(/^4 events in one run of the board, 1 other lines\.$/m);
  expect(text).toMatch(/^rule +r1: when Beam .* 2 +2\.00\ss +run 1, 1\.50\ss +run 1, 4\.50\ss$/m);
  expect(csv?.split('\r\n')[1]).toBe('1,1.5,rule,r1,begins');
  expect(exitCode).toBe(0);
});

it('refuses a file in which a board tells nothing, and one that is not there', async () => {
  const file = await kept('readings.csv', 'time,A0\n1,512\n');
  await expect(logOf(file, beam)).rejects.toThrow(/readings\.csv: None of 2 lines is an event/);
  await expect(logOf(join(folder, 'gone.txt'), beam)).rejects.toThrow(/there is no such file/);
});
