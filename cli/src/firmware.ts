import { mkdir, writeFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { fileStem } from '@yurei/core/exchange';
import { boardOf, firmwareOf, projectOf, type Board } from '@yurei/core/firmware';
import { BadInput } from './bad-input.js';
import { loadDesign } from './load-design.js';
import type { Report } from './report.js';

/**
 * Writes the program of a design's board into a folder of its own. Files that stand there are not overwritten.
 *
 * @param out where the folder is put
 * @param language cpp, c or python, where the board takes more than one
 * @param quiet whether it is to leave out all that it says over its serial line
 */
export async function writeProject(
  file: string,
  out = '.',
  quiet = false,
  language?: string,
): Promise<Report> {
  const design = await loadDesign(file);
  const target = boardOf(design);
  if (!('board' in target)) throw new BadInput(`${file}: ${target.reason}. ${target.cure}`);
  const board = language === undefined ? target.board : inLanguage(target.boards, language);
  const found = firmwareOf(design, board, quiet);
  if ('lacks' in found)
    throw new BadInput(
      found.lacks.map((l) => `${file}: ${l.place}: ${l.reason}. ${l.cure}`).join('\n'),
    );
  const files = projectOf(design, board, fileStem(design.title), quiet);
  for (const { path, text } of files) await put(join(out, path), text);
  const { remarks } = found;
  const said = [
    ...files.map(({ path }) => join(out, path)),
    ...remarks.map((r) => `${r.place}: ${r.reason}. ${r.cure}`),
  ];
  return { text: said.join('\n'), json: { files, remarks }, exitCode: 0 };
}

function inLanguage(boards: readonly Board[], language: string): Board {
  const found = boards.find((b) => b.language === language);
  if (found) return found;
  const known = boards.map((b) => b.language).join(', ');
  throw new BadInput(`Its board takes programs in: ${known}; not in "${language}".`);
}

async function put(path: string, text: string): Promise<void> {
  try {
    await mkdir(dirname(path), { recursive: true });
    await writeFile(path, text, { flag: 'wx' });
  } catch (error) {
    const { code, message } = error as NodeJS.ErrnoException;
    throw new BadInput(
      code === 'EEXIST'
        ? `${path} is there already, and may hold changes of yours. Move it, or choose another folder by --out.`
        : `${path} could not be written: ${message}.`,
    );
  }
}
