import type { Proof } from '@yurei/core/firmware';
import type { Observable } from 'rxjs';
import type { Asked } from './python.worker';

/** How far a proof has come, or what came of it. */
export type Proven = { passes: number; of: number } | Proof;

/** Has programs proven; whoever stops listening ends the work. */
export abstract class Proving {
  abstract prove(asked: Omit<Asked, 'from'>): Observable<Proven>;
}
