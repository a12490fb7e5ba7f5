import { kindOf, type SolvedPart } from '../catalog/index.js';
import type { Design } from '../design/index.js';
import { ContactWatch } from './contact-watch.js';
import type { Trouble } from './trouble.js';

/** Takes down what is damaged for good: fuses that melt, contacts that weld. */
export class DamageWatch {
  private readonly fuses: FuseWatch;
  private readonly contacts: ContactWatch;

  constructor(design: Design) {
    this.fuses = new FuseWatch(design);
    this.contacts = new ContactWatch(design);
  }

  look(t: number, solved: (part: string) => SolvedPart): void {
    this.fuses.look(t, solved);
    this.contacts.look(t, solved);
  }

  get troubles(): Trouble[] {
    return [...this.fuses.troubles, ...this.contacts.troubles];
  }
}

/** Takes down which fuses have melted. */
class FuseWatch {
  readonly troubles: Trouble[] = [];
  private readonly whole: Map<string, (part: SolvedPart) => boolean>;

  constructor(design: Design) {
    this.whole = new Map(
      design.parts.flatMap((part) => {
        const { fuse } = kindOf(part);
        return fuse ? [[part.id, fuse.melted] as const] : [];
      }),
    );
  }

  look(t: number, solved: (part: string) => SolvedPart): void {
    for (const [part, melted] of this.whole) {
      if (!melted(solved(part))) continue;
      this.whole.delete(part);
      const because =
        'more flowed through it than it carries; what it feeds is without power from then on';
      this.troubles.push({ part, what: 'melted', t, because });
    }
  }
}
