import { computed, inject, Injectable, type Signal, signal } from '@angular/core';
import { toObservable } from '@angular/core/rxjs-interop';
import { withoutAttachments, type Design } from '@yurei/core/design';
import type { DesignSummary, ShelfAnswer } from '@yurei/core/exchange';
import { catchError, EMPTY, map, Observable, switchMap, tap, timeout, timer } from 'rxjs';
import { Api } from '../data/api';

/** How long the shelf stands before the next design is begun, ms: first it is looked at. */
const beforeNext = 1500;
/** Longest that one design may take, ms; then it is left for when it is opened. */
const longest = 60_000;

/** Answers the five questions of a design; whoever stops listening ends the work. */
export abstract class Answering {
  abstract answer(design: Design): Observable<ShelfAnswer[]>;
}

/** In a worker of its own, which is loaded only where there is something to answer. */
@Injectable()
export class AnsweringInWorker implements Answering {
  answer(design: Design): Observable<ShelfAnswer[]> {
    return new Observable((listener) => {
      let worker: Worker | undefined;
      const work = async (): Promise<void> => {
        const { startWorker, wrap } = await import('../bench/worker');
        if (listener.closed) return;
        worker = startWorker();
        listener.next(await wrap(worker).answer(withoutAttachments(design)));
        listener.complete();
      };
      work().catch((error: unknown) => listener.error(error));
      return () => worker?.terminate();
    });
  }
}

/** Own designs that were never opened get their five answers one by one, while the shelf is looked at. */
@Injectable({ providedIn: 'root' })
export class AnswerUnopened {
  private readonly api = inject(Api);
  private readonly answering = inject(Answering);
  /** Saves that were answered, or could not be. */
  private readonly tried = signal<ReadonlySet<string>>(new Set());

  /** Tells of each answered design, for as long as someone listens. */
  of(
    designs: Signal<readonly DesignSummary[] | undefined>,
  ): Observable<{ id: string; answers: ShelfAnswer[] }> {
    const next = computed(() => designs()?.find((d) => this.isOpen(d)), {
      equal: (a, b) => a?.id === b?.id && a?.version === b?.version,
    });
    return toObservable(next).pipe(
      switchMap((design) =>
        design ? timer(beforeNext).pipe(switchMap(() => this.answer(design))) : EMPTY,
      ),
    );
  }

  private isOpen(design: DesignSummary): boolean {
    const { example, answers, unreadable } = design;
    return !example && !answers && unreadable === undefined && !this.tried().has(saveOf(design));
  }

  private answer(asked: DesignSummary): Observable<{ id: string; answers: ShelfAnswer[] }> {
    const { id } = asked;
    const done = (): void => this.tried.update((tried) => new Set(tried).add(saveOf(asked)));
    return this.api.get(id).pipe(
      switchMap(({ design, version }) =>
        this.answering.answer(design).pipe(
          timeout(longest),
          switchMap((answers) => this.api.answer(id, version, answers).pipe(map(() => answers))),
        ),
      ),
      map((answers) => ({ id, answers })),
      // Nothing is lost by it: what is missing is answered when the design is opened.
      catchError(() => EMPTY),
      tap({ complete: done }),
    );
  }
}

const saveOf = ({ id, version }: DesignSummary): string => `${id} ${version}`;
