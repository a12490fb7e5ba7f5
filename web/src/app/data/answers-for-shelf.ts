import { computed, inject, Injectable } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import { briefly } from '@yurei/core/check';
import { EMPTY, map, switchMap, timer } from 'rxjs';
import { BenchView } from './bench-view';
import { DesignSession } from './design-session';

/** How long the answers must have stood, ms: while a maker turns a value, none is kept. */
const settled = 1500;

/** Keeps the five answers with the save they are of, so that the shelf can show them. */
@Injectable()
export class AnswersForShelf {
  private readonly session = inject(DesignSession);
  private readonly view = inject(BenchView);

  /** What has been answered of the design as it is saved; undefined until all of it is. */
  private readonly complete = computed(() => {
    const [design, answers] = [this.session.design(), this.view.answers()];
    const { rehearsing, following, runningDown } = this.view;
    const playing = rehearsing() || following() || runningDown();
    const ready = this.session.save().state === 'saved' && !playing && !this.view.night();
    return ready && design && answers.length > 0 ? { design, answers } : undefined;
  });

  constructor() {
    toObservable(this.complete)
      .pipe(
        switchMap((known) => (known ? timer(settled).pipe(map(() => known)) : EMPTY)),
        takeUntilDestroyed(),
      )
      .subscribe(({ design, answers }) => {
        void this.session.answer(design, answers.map(briefly));
      });
  }
}
