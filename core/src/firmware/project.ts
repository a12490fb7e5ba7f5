import type { Design } from '../design/index.js';
import type { Board } from './board.js';
import { plainStem } from './plain-stem.js';
import { writeFirmware } from './firmware.js';

/** A file of a project, by its path in the folder. */
export interface ProjectFile {
  path: string;
  text: string;
}

/**
 * Everything that is needed to load the program of a design on its board: the program itself first, and how it is loaded.
 *
 * @param stem the beginning of the files' names
 * @param quiet whether it is to leave out all that it says over its serial line
 * @throws RangeError where the board cannot do it: see `lacksOf`
 */
export function projectOf(
  design: Design,
  board: Board,
  stem: string,
  quiet = false,
): ProjectFile[] {
  const folder = plainStem(stem);
  const program = {
    path: board.file(folder),
    text: writeFirmware(design, board, quiet).written.text,
  };
  return [
    program,
    { path: 'README.md', text: readme(design, board, program.path) },
    ...board.beside(folder, program.text),
  ].map(({ path, text }) => ({ path: `${folder}/${path}`, text }));
}

function readme(design: Design, board: Board, file: string): string {
  const pins = [
    ...design.channels.map((c) => [c.name, c.pin, 'read']),
    ...design.outputs.map((o) => [o.name, o.pin, `driven, active ${o.active}`]),
  ];
  const cell = (text: string): string => text.replace(/\s+/g, ' ').replace(/[|\\`<]/g, '\\$&');
  return [
    `# ${cell(design.title)}`,
    '',
    `The program is \`${file}\`, for a ${board.label}.`,
    '',
    '## Load it',
    '',
    ...board.load(file).map((step, i) => `${i + 1}. ${step}`),
    '',
    '## Pins',
    '',
    '| what | pin | |',
    '| --- | --- | --- |',
    ...pins.map((row) => `| ${row.map(cell).join(' | ')} |`),
    '',
  ].join('\n');
}
