import { kindOf, paramsOf, type SolvedPart } from '../catalog/index.js';
import type { Design } from '../design/index.js';
import { formatQuantity } from '../quantity/index.js';
import type { Trouble } from './trouble.js';

/** Contacts make up to so many times what they are rated for without welding (from memory, as typical of power relays). */
const makes = 3;
/** Where two contacts touch it warms up in this time, s (from memory): what charges stray picofarads is over by then. */
const warms = 5e-4;

interface Watched {
  part: string;
  terminals: readonly string[];
  rated: number;
  /** What flowed last, squared, its mean over the time in which it warms, and the largest that was, A². */
  square: number;
  mean: number;
  most: number;
  at: number;
}

/** Takes down the most that flows through contacts, its root mean square over the time in which they warm. */
export class ContactWatch {
  private readonly watched: Watched[];
  private last = 0;

  constructor(design: Design) {
    this.watched = design.parts.flatMap((part) =>
      (kindOf(part).contacts ?? []).map(({ terminals, maxAmps }) => ({
        ...{ part: part.id, terminals, rated: maxAmps(paramsOf(part)) },
        ...{ square: 0, mean: 0, most: 0, at: 0 },
      })),
    );
  }

  look(t: number, solved: (part: string) => SolvedPart): void {
    const share = -Math.expm1((this.last - t) / warms);
    this.last = t;
    for (const contact of this.watched) {
      const { amps } = solved(contact.part);
      const square = Math.max(...contact.terminals.map((id) => (amps[id] ?? 0) ** 2));
      contact.mean += ((square + contact.square) / 2 - contact.mean) * share;
      contact.square = square;
      if (contact.mean <= contact.most) continue;
      contact.most = contact.mean;
      contact.at = t;
    }
  }

  /** Contacts through which more flowed than they make. */
  get troubles(): Trouble[] {
    return this.watched
      .filter(({ most, rated }) => Math.sqrt(most) > makes * rated)
      .map(({ part, most, rated, at }) => ({
        ...{ part, what: 'may have welded', t: at },
        because: `${formatQuantity(Math.sqrt(most), 'A')} flowed through a contact for ${formatQuantity(rated, 'A')}, which makes ${makes} times that at most: what it switches may stay on`,
      }));
  }
}
