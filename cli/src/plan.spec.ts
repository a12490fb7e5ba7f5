import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { emptyDesign, type Brief } from '@yurei/core/design';
import { planOf } from './plan.js';

const fileOf = (needs: Brief['needs']): string => {
  const file = join(mkdtempSync(join(tmpdir(), 'yurei-plan-')), 'design.json');
  writeFileSync(file, JSON.stringify({ ...emptyDesign('x'), brief: { needs, tells: '' } }));
  return file;
};
const wanted = (kind: string): Brief['needs'] => [
  { id: 'n1', intent: 'wanted', kind, name: 'It', params: {} },
];

it('ranks the sensors that feel it, with what each does', async () => {
  const { text, json, exitCode } = await planOf(fileOf(wanted('tips')));
  expect(exitCode).toBe(0);
  expect(text).toMatch(/^2 of 2 notice all/);
  expect(text).toMatch(/1\. +Tilt switch.*mA\s+Notices 1 of 1, within/);
  const [first] = json as { sensor: string; serves: boolean; does: { dealt: unknown[] } }[];
  expect(first).toMatchObject({ sensor: 'tilt-switch', serves: true });
  expect(first.does.dealt).toMatchObject([{ need: 'n1', outcome: 'noticed' }]);
});

it('ends with 1 where none notices it', async () => {
  const { exitCode, text } = await planOf(fileOf(wanted('code-typed')));
  expect(exitCode).toBe(1);
  expect(text).toMatch(/^0 of 1 notice all/);
});

it('needs to be told what must be noticed', async () => {
  await expect(planOf(fileOf([]))).rejects.toThrow(/does not say what must be noticed/);
});
