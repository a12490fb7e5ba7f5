import type { Design, Edit } from '@yurei/core/design';
import type { Candidate, Compared, Effect, PowerCut } from '@yurei/core/plan';
import type { Observable } from 'rxjs';

/** Tries sensors against a brief away from the interface's thread. */
export abstract class Comparing {
  /** What each does, as it is done, in no order; whoever stops listening ends the work at once. */
  abstract compare(design: Design, candidates: readonly Candidate[]): Observable<Compared>;

  /** What comes of a design after each of some edits, or as it stands, in no order; likewise. */
  abstract weigh(design: Design, edits: readonly (Edit | undefined)[]): Observable<Weighed>;

  /** What a design does when the mains fail; likewise. */
  abstract cut(design: Design, scene: string | undefined): Observable<PowerCut>;
}

/** What came of one of them; or why it could not be rehearsed. */
export type Weighed = { which: number } & ({ effect: Effect } | { refused: string });
