import { applyEdit } from './apply-edit.js';
import type { Edit } from './edit.js';
import type { Design } from './types.js';

interface Step {
  edit: Edit;
  before: Design;
}

/** A design with the edits that led to it. Designs share unchanged branches, so keeping them is cheap. */
export interface History {
  present: Design;
  done: readonly Step[];
  undone: readonly Edit[];
  /** Edits of one gesture carry the same key and undo together. */
  gesture?: string;
}

/** How many steps can be undone. */
const depth = 500;

/** A history with nothing to undo. */
export const startHistory = (present: Design): History => ({ present, done: [], undone: [] });

/**
 * Makes an edit.
 *
 * @param gesture edits in a row with the same key (a drag) become one step
 * @throws EditError as {@link applyEdit}; the history is then unchanged
 */
export function makeEdit(history: History, edit: Edit, gesture?: string): History {
  const present = applyEdit(history.present, edit);
  const last = history.done[history.done.length - 1];
  const merges = gesture !== undefined && gesture === history.gesture && last !== undefined;
  const step: Step = merges
    ? {
        edit: { type: 'batch', label: gesture, edits: flatten(last.edit, edit) },
        before: last.before,
      }
    : { edit, before: history.present };
  const kept = merges ? history.done.slice(0, -1) : history.done.slice(-depth + 1);
  return { present, done: [...kept, step], undone: [], gesture };
}

/** Takes the last step back; without one, the same history. */
export function undo(history: History): History {
  const last = history.done[history.done.length - 1];
  if (!last) return history;
  return {
    present: last.before,
    done: history.done.slice(0, -1),
    undone: [...history.undone, last.edit],
  };
}

/** Makes the last undone step again; without one, the same history. */
export function redo(history: History): History {
  const edit = history.undone[history.undone.length - 1];
  if (!edit) return history;
  const done = [...history.done, { edit, before: history.present }];
  return { present: applyEdit(history.present, edit), done, undone: history.undone.slice(0, -1) };
}

/** A drag repeats one small edit many times: only the last of each run of same-target edits matters. */
function flatten(earlier: Edit, later: Edit): Edit[] {
  const list = earlier.type === 'batch' ? earlier.edits : [earlier];
  const previous = list[list.length - 1];
  return previous && sameTarget(previous, later) ? [...list.slice(0, -1), later] : [...list, later];
}

function sameTarget(a: Edit, b: Edit): boolean {
  if (a.type === 'put-channel' && b.type === 'put-channel') return a.channel.id === b.channel.id;
  if (a.type === 'set-param' && b.type === 'set-param') return a.id === b.id && a.param === b.param;
  return false;
}
