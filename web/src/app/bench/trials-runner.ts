import type { Design } from '@yurei/core/design';
import type { CaseTrial, Study } from '@yurei/core/trials';
import type { Observable } from 'rxjs';

/** Rehearses many nights away from the interface's thread. */
export abstract class TrialsRunner {
  /** Nights as they are done, in no order; whoever stops listening ends the work at once. */
  abstract run(design: Design, study: Study): Observable<CaseTrial[]>;
}
