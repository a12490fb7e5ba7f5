import type { Remote } from 'comlink';
import type { Bench } from './bench-core';
import type { Judging } from './judging';

/** Does one long thing at a time: a new one puts an end to the last. Answers never come, when it was put an end to. */
type OneAtATime<Asked extends keyof Bench> = {
  [K in Asked]: (...asked: Parameters<Bench[K]>) => Promise<ReturnType<Bench[K]>>;
} & { cancel(): void };

/** Follows circuits in time. */
export type Timed = OneAtATime<'follow' | 'runDown'>;

/** Tries what cures a design. */
export type Trying = OneAtATime<'diagnose' | 'countOnTwo'>;

/** Seeks places for sensors. */
export type Placing = OneAtATime<'places'>;

/**
 * The computing core away from the interface's thread: one answers at once, the second plays rehearsals, the third follows
 * circuits in time, the fourth moments of those, the fifth tries what cures a design, the sixth seeks places for sensors, and others,
 * for half of the cores, hold cures against scenes, so that a long rehearsal never holds up a value that follows a drag.
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
    | 'cover'
    | 'does'
    | 'eitherOrs'
    | 'explain'
    | 'ifInstead'
    | 'rehearse'
    | 'response'
    | 'ring'
    | 'oscillations'
    | 'sampled'
    | 'whatIf'
  >;
  abstract readonly timed: Timed;
  abstract readonly trying: Trying;
  abstract readonly judging: Judging;
  abstract readonly placing: Placing;
  abstract readonly moments: Pick<Remote<Bench>, 'moment'>;
}
