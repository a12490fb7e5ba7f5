import { readFileSync } from 'node:fs';
import { copyDatabase } from '../keeping/copy-database.js';
import type { ArchivedDesign } from './archive-shape.js';
import { BadArchive, designOf, manifestOf } from './read-archive.js';
import { writeArchive } from './write-archive.js';

/** Work on whole databases and archives, in a thread. */
export type UpkeepTask =
  | { do: 'copy'; from: string; to: string }
  | { do: 'archive'; from: string; to: string }
  | { do: 'manifest'; file: string }
  | { do: 'design'; file: string; about: ArchivedDesign };

let open: { file: string; content: Uint8Array } | undefined;

/** The archive that is being taken in: read once. */
function contentOf(file: string): Uint8Array {
  if (open?.file !== file) open = { file, content: readFileSync(file) };
  return open.content;
}

/** What it was asked for, or `refused` with the reason why an archive is none. */
export default function work(task: UpkeepTask): unknown {
  try {
    switch (task.do) {
      case 'copy':
        return copyDatabase(task.from, task.to);
      case 'archive':
        return writeArchive(task.from, task.to);
      case 'manifest':
        open = undefined;
        return manifestOf(contentOf(task.file));
      case 'design':
        return designOf(contentOf(task.file), task.about);
    }
  } catch (error) {
    if (error instanceof BadArchive) return { refused: error.message };
    throw error;
  }
}
