import type { Remote } from 'comlink';
import type { Bench } from './bench-core';

/** Follows one circuit at a time: a new one puts an end to the last. */
export interface Timed {
  /** @returns what came of it; never, when it was put an end to */
  follow(...asked: Parameters<Bench['follow']>): Promise<ReturnType<Bench['follow']>>;
  cancel(): void;
}

/**
 * The computing core away from the interface's thread: one answers at once, the second plays rehearsals, the third follows
 * circuits in time, the fourth moments of those, so that a long rehearsal never holds up a value that follows a drag.
 */
export abstract class BenchService {
  abstract readonly quick: Pick<
    Remote<Bench>,
    'chain' | 'look' | 'judge' | 'judgeChannel' | 'curve'
  >;
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
  abstract readonly timed: Timed;
  abstract readonly moments: Pick<Remote<Bench>, 'moment'>;
}
