import type { Statement } from '../code/index.js';
import type { Board, Told } from './board.js';
import type { Frame } from './frame.js';
import { ownEvent } from './own-code.js';

/** What is done when something has happened: it is told, unless the build is quiet, sent where it is a notice, and handed to the maker's own code. */
export const tellCode = (
  { design, quiet }: Frame,
  board: Board,
  kind: 'notice' | 'rule' | 'mode',
  of: string,
  told: Told,
): Statement[] => [
  ...(quiet ? [] : [board.tell(kind, of, told)]),
  ...(kind === 'notice' && board.sends ? [board.sends(of, told)] : []),
  ...ownEvent(design, kind, of, told),
];
