import { readFile } from 'node:fs/promises';
import type { Design, Scene } from '@yurei/core/design';
import { problemText, readDesign } from '@yurei/core/exchange';

/** Input that cannot be worked with; ends the command with exit code 2. */
export class BadInput extends Error {
  override readonly name = 'BadInput';
}

/** Reads a design file; doubts go to standard error. */
export async function loadDesign(file: string): Promise<Design> {
  const text = await readFile(file, 'utf8').catch((error: NodeJS.ErrnoException) => {
    const reason = error.code === 'ENOENT' ? 'there is no such file' : error.message;
    throw new BadInput(`${file}: ${reason}.`);
  });
  const result = readDesign(text);
  if (!result.ok) {
    throw new BadInput(result.problems.map((p) => `${file}: ${problemText(p)}`).join('\n'));
  }
  for (const doubt of result.doubts) console.error(`${file}: ${problemText(doubt)}`);
  return result.design;
}

/** The scene of that id or name; the first one when none is named. */
export function pickScene(design: Design, wanted: string | undefined): Scene | undefined {
  if (wanted === undefined) return design.scenes[0];
  const scene = design.scenes.find((s) => s.id === wanted || s.name === wanted);
  if (!scene) {
    const names = design.scenes.map((s) => `"${s.id}"`).join(', ') || 'none';
    throw new BadInput(`There is no scene "${wanted}" in the design. It has ${names}.`);
  }
  return scene;
}
