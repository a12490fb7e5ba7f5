import type { Design } from '@yurei/core/design';
import type { Candidate, Compared } from '@yurei/core/plan';
import type { Observable } from 'rxjs';

/** Tries sensors against a brief away from the interface's thread. */
export abstract class Comparing {
  /** What each does, as it is done, in no order; whoever stops listening ends the work at once. */
  abstract compare(design: Design, candidates: readonly Candidate[]): Observable<Compared>;
}
