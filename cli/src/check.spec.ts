import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { applyEdit, type Channel, type Edit } from '@yurei/core/design';
import { readDesign, writeDesign } from '@yurei/core/exchange';
import { checkFile } from './check.js';

const folder = mkdtempSync(join(tmpdir(), 'yurei-check-'));
afterAll(() => {
  rmSync(folder, { recursive: true });
});

const demo = 'demo/slipway-beam.yurei.json';

/** The demo with edits, in a file. */
function edited(...edits: Edit[]): string {
  const result = readDesign(readFileSync(demo, 'utf8'));
  if (!result.ok) throw new Error('The demo cannot be read.');
  const file = join(folder, `${Math.random()}.json`);
  writeFileSync(file, writeDesign(edits.reduce(applyEdit, result.design)));
  return file;
}

/** The channel of the demo, set otherwise. */
function beam(more: Partial<Channel>): Channel {
  const result = readDesign(readFileSync(demo, 'utf8'));
  if (!result.ok) throw new Error('The demo cannot be read.');
  return { ...result.design.channels[0], ...more };
}

it('ends with 0 where nothing is wrong', async () => {
  const { exitCode, json } = await checkFile(demo, {});
  expect(exitCode).toBe(0);
  expect(json).toMatchObject({ roots: [], made: [] });
});

it('ends with 1 on an error, and tells the root, what follows from it, the likely slip and its cure', async () => {
  const { exitCode, text } = await checkFile(edited({ type: 'remove-wire', id: 'w2' }), {});
  expect(exitCode).toBe(1);
  expect(text).toMatch(/Follows from it: .*\[/);
  expect(text).toMatch(/Likely: No wire leads from .*G1\.minus/);
  expect(text).toMatch(/Fix: Join .* \(clears \d+ findings, turns right: .* noticed/);
});

it('ends with 3 on a caution', async () => {
  const file = edited({ type: 'set-param', id: 'R2', param: 'ohms', value: 8200 });
  const { exitCode, json } = await checkFile(file, {});
  expect(exitCode).toBe(3);
  expect(json).toMatchObject({ roots: [{ cures: [{ proof: { worse: [] } }] }] });
});

it('--fix makes the cures and gives the file as it is then', async () => {
  const file = edited({ type: 'remove-part', id: 'D1' });
  const { fixed, exitCode, json } = await checkFile(file, { fix: true });
  expect(exitCode).toBe(0);
  expect(json).toMatchObject({ made: [{ label: 'Add 1N4007, band to +' }], roots: [] });
  const result = readDesign(fixed ?? '');
  expect(result.ok && result.design.parts.filter((p) => p.kind === 'rectifier-diode')).toHaveLength(
    1,
  );
});

it('--fix leaves a sound design as it is', async () => {
  expect(await checkFile(demo, { fix: true })).not.toHaveProperty('fixed');
});

it('tells what is heard once what was dead is mended, in place of saying that all else stays', async () => {
  const pins = { type: 'clear-pin', pin: 'U1.D8' } as const;
  const hasty = { type: 'put-channel', channel: beam({ hits: 1, misses: 1 }) } as const;
  const { text } = await checkFile(edited(pins, hasty), {});
  expect(text).toMatch(
    /Fix: Set U1\.D8 to output .*it was quiet because it was dead, then: .*Gull/,
  );
  expect(text).not.toMatch(/Set U1\.D8 to output .*everything else stays/);
});
