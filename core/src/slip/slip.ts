import type { Design, Edit } from '../design/index.js';

/** One usual mistake of building, made in one place of a design. */
export interface Slip {
  /** What was done, as one says it: "D2 turned round". */
  says: string;
  /** The change as one is asked for it: "Turn D2 round". */
  label: string;
  /** What was wrong where the change cures it: "D2 is the wrong way round". */
  undoes: string;
  /** Ids of the parts and refs of the terminals at which it was made. */
  about: readonly string[];
  edit: Edit;
}

/** A sort of mistake that is made when a circuit is built by hand. */
export interface SlipKind {
  id: string;
  label: string;
  /** Making it once more in the same place undoes it: so it is its own cure. */
  undoesItself: boolean;
  /** A setting that somebody chose, not something put in by hand: it is wrong less often. */
  chosen?: true;
  /** Every place of a design where it can be made. */
  all: (design: Design) => Slip[];
}
