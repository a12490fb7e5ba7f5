import { open } from 'node:fs/promises';
import type { Design, Scene } from '@yurei/core/design';
import { largestFile, problemText, readDesign } from '@yurei/core/exchange';
import { BadInput } from './bad-input.js';

/**
 * Reads a text file.
 *
 * @param most bytes it may have; no more than that is read of anything
 * @param fatal whether what is no text in UTF-8 is refused; else it is passed over
 * @throws BadInput naming the file
 */
export async function loadText(file: string, most: number, fatal = true): Promise<string> {
  const handle = await open(file, 'r').catch((error: NodeJS.ErrnoException) => {
    const reason = error.code === 'ENOENT' ? 'there is no such file' : error.message;
    throw new BadInput(`${file}: ${reason}.`);
  });
  try {
    const chunks: Buffer[] = [];
    let size = 0;
    for await (const chunk of handle.createReadStream({ autoClose: false, end: most })) {
      chunks.push(chunk as Buffer);
      size += (chunk as Buffer).length;
    }
    if (size > most) throw new BadInput(`${file}: it has more than ${most / 1e6} MB.`);
    return new TextDecoder('utf-8', { fatal }).decode(Buffer.concat(chunks));
  } catch (error) {
    if (error instanceof BadInput) throw error;
    if (error instanceof TypeError)
      throw new BadInput(`${file}: it is no text in UTF-8. Save it as UTF-8, then try again.`);
    throw new BadInput(`${file}: ${(error as Error).message}.`);
  } finally {
    await handle.close();
  }
}

/** Reads a design file; doubts go to standard error. */
export async function loadDesign(file: string): Promise<Design> {
  const text = await loadText(file, largestFile);
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
