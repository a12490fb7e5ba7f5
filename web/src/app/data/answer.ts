import { computed, type Signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import {
  BehaviorSubject,
  catchError,
  concat,
  concatMap,
  defer,
  filter,
  finalize,
  map,
  of,
  scan,
  switchMap,
  take,
  throttle,
  type ObservableInput,
  type Observable,
  type OperatorFunction,
} from 'rxjs';

/** What came of what was asked last. */
export interface Answered<T> {
  /** What was found; while something new is looked for, what was found before. */
  found: T | undefined;
  looking: boolean;
  /** Why nothing could be found. */
  trouble: string;
}

const idle = { looking: false, trouble: '' };

/**
 * Answers a question that changes: a late answer to an older question is never shown.
 *
 * @param asked undefined asks nothing; what was found stays
 * @param find may find more than once
 */
export const answerTo = <Asked, T>(
  asked: () => Asked | undefined,
  find: (asked: Asked) => ObservableInput<T>,
): Signal<Answered<T>> => answering(asked, switchMap(looking(find)));

/** The same for what follows a drag: see `inTurn`. */
export const answerInTurn = <Asked, T>(
  asked: () => Asked | undefined,
  find: (asked: Asked) => ObservableInput<T>,
): Signal<Answered<T>> => answering(asked, inTurn(looking(find)));

function answering<Asked, T>(
  asked: () => Asked | undefined,
  each: OperatorFunction<Asked | undefined, Partial<Answered<T>>>,
): Signal<Answered<T>> {
  const nothing: Answered<T> = { found: undefined, ...idle };
  const answers = toObservable(computed(asked)).pipe(
    each,
    scan((before, step) => ({ ...before, ...step }), nothing),
  );
  return toSignal(answers, { initialValue: nothing });
}

const looking =
  <Asked, T>(find: (asked: Asked) => ObservableInput<T>) =>
  (asked: Asked | undefined): Observable<Partial<Answered<T>>> =>
    asked === undefined
      ? of(idle)
      : concat(
          of({ looking: true, trouble: '' }),
          defer(() => find(asked)).pipe(map((found) => ({ found }))),
          of({ looking: false }),
        ).pipe(catchError((error: unknown) => of({ looking: false, trouble: reasonOf(error) })));

/**
 * Does one job at a time; of those that come meanwhile only the newest is done after it. Unlike with `switchMap`,
 * jobs that come faster than they can be done still show on the way, and none of them waits in a worker's queue.
 *
 * @param work must not fail
 */
export const inTurn =
  <Job, T>(work: (job: Job) => ObservableInput<T>): OperatorFunction<Job, T> =>
  (jobs) =>
    defer(() => {
      const busy = new BehaviorSubject(false);
      const free = busy.pipe(
        filter((now) => !now),
        take(1),
      );
      return jobs.pipe(
        throttle(() => free, { leading: true, trailing: true }),
        concatMap((job) => {
          busy.next(true);
          return defer(() => work(job)).pipe(finalize(() => busy.next(false)));
        }),
      );
    });

/** What went wrong, in words. */
export const reasonOf = (error: unknown): string =>
  error instanceof Error ? error.message : String(error);
