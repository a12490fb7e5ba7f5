import type { Edit } from '../design/index.js';

/** A change that may cure something. */
export interface Candidate {
  /** "mistake" undoes a usual slip; "remedy" is what a rule proposes. */
  kind: 'mistake' | 'remedy';
  /** What would have gone wrong, or what is done about it. */
  says: string;
  /** What the button says. */
  label: string;
  /** Ids of the parts and refs of the terminals it changes. */
  about: readonly string[];
  edit: Edit;
  /** Of candidates that are alike, the one with more of this is likelier, below 1. */
  usual?: number;
}

/** A change that was tried: it clears something and harms nothing that is found. */
export interface Cure extends Candidate {
  /** So many findings it clears. */
  clears: number;
  /** What a meter shows as it is, and should show. */
  meter?: string;
}

/** How many single changes an edit is made of. */
export const changesOf = (edit: Edit): number =>
  edit.type === 'batch' ? edit.edits.reduce((sum, e) => sum + changesOf(e), 0) : 1;

/** Ids of the parts and refs of the terminals that an edit changes. */
export function placesOf(edit: Edit): string[] {
  switch (edit.type) {
    case 'batch':
      return [...new Set(edit.edits.flatMap(placesOf))];
    case 'set-param':
    case 'remove-part':
    case 'set-indicates':
      return [edit.id];
    case 'add-part':
      return [edit.part.id];
    case 'add-wire':
      return [edit.wire.from, edit.wire.to];
    case 'set-pin':
    case 'clear-pin':
      return [edit.pin];
    case 'put-channel':
      return [edit.channel.id, edit.channel.pin];
    case 'put-output':
      return [edit.output.id, edit.output.pin];
    default:
      return [];
  }
}
