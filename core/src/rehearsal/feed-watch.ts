import type { PartKind, SolvedPart } from '../catalog/index.js';
import type { Design } from '../design/index.js';
import { isUnfed, supervised } from './supervisor.js';

/** Watches the supply of the controller, where a design has one. */
export class FeedWatch {
  readonly kind?: PartKind;
  private readonly id?: string;
  /** Whether it had too little to run on when it was looked at last. */
  private starved = false;

  constructor(design: Design) {
    const { id, kind } = supervised(design) ?? {};
    if (id === undefined || !kind) return;
    [this.id, this.kind] = [id, kind];
  }

  /** Looks at it anew; whether it has fallen too low since it was looked at last, or has come back. */
  look(solved: (part: string) => SolvedPart): boolean {
    const { id, kind, starved: before } = this;
    this.starved = id !== undefined && kind !== undefined && isUnfed(kind, solved(id));
    return this.starved !== before;
  }
}
