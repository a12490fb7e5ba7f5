import type { Remote } from 'comlink';
import type { Bench } from './bench-core';

/**
 * The computing core away from the interface's thread: one answers at once, the other plays rehearsals,
 * so that a long rehearsal never holds up a value that follows a drag.
 */
export abstract class BenchService {
  abstract readonly quick: Pick<Remote<Bench>, 'look' | 'judge' | 'judgeChannel' | 'curve'>;
  abstract readonly patient: Pick<
    Remote<Bench>,
    | 'averaging'
    | 'comparator'
    | 'does'
    | 'explain'
    | 'ifInstead'
    | 'rehearse'
    | 'response'
    | 'oscillations'
    | 'sampled'
    | 'whatIf'
  >;
}
