import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { writeProject } from './firmware.js';

const folder = mkdtempSync(join(tmpdir(), 'yurei-project-'));
afterAll(() => rmSync(folder, { recursive: true }));
const demo = (name: string): string => `demo/${name}.yurei.json`;

it('writes the program of the board with how it is loaded, and overwrites nothing', async () => {
  const { text } = await writeProject(demo('slipway-beam'), folder);
  const [program, readme] = text.split('\n');
  expect(program).toBe(join(folder, 'slipway-beam/slipway-beam.ino'));
  expect(readFileSync(program ?? '', 'utf8')).toMatch(/const int beamThreshold = 380;/);
  const told = readFileSync(readme ?? '', 'utf8');
  expect(told).toMatch(/^# Slipway beam\n/);
  expect(told).toMatch(/1\. Firmware first: unplug what the board drives/);
  expect(told).toMatch(/\| Sounder \| U1\.D8 \| driven, active high \|/);
  await expect(writeProject(demo('slipway-beam'), folder)).rejects.toThrow(
    /slipway-beam\.ino is there already, and may hold changes of yours/,
  );
});

it('writes it in the language that is asked for, where the board takes it', async () => {
  const { text } = await writeProject(demo('chart-table-light'), folder, false, 'cpp');
  expect(text).toMatch(/chart-table-light\.ino/);
  await expect(writeProject(demo('slipway-beam'), folder, false, 'python')).rejects.toThrow(
    /Its board takes programs in: cpp; not in "python"/,
  );
});

it.each([
  ['without a controller', 'bilge-sump', /There is no controller, so there is nothing to load/],
  ['whose chip has no clock line', 'compass-light', /channel Hand near: Its clock line leads to/],
])('says why there is no program: a design %s', async (_, name, reason) => {
  const file = join(folder, 'other.yurei.json');
  // The wire from the board to the chip's clock.
  writeFileSync(file, readFileSync(demo(name), 'utf8').replace('"to": "B1.SCL"', '"to": "R1.b"'));
  await expect(writeProject(file, folder)).rejects.toThrow(reason);
});
