import { effect, inject, Injectable, Injector, untracked } from '@angular/core';
import { BenchView } from './bench-view';
import { DesignSession } from './design-session';

/** How long the answers must have stood, ms: while a maker turns a value, none is kept. */
const settled = 1500;

/** Keeps the five answers with the save they are of, so that the shelf can show them. */
@Injectable()
export class AnswersForShelf {
  private readonly session = inject(DesignSession);
  private readonly view = inject(BenchView);
  private readonly injector = inject(Injector);

  start(): void {
    effect(
      (onCleanup) => {
        const [design, answers] = [this.session.design(), this.view.answers()];
        const playing = this.view.rehearsing() || this.view.following();
        const ready = this.session.save().state === 'saved' && !playing;
        if (!ready || !design || answers.length === 0 || this.view.night()) return;
        const brief = answers.map(({ id, label, state, value }) => ({ id, label, state, value }));
        const timer = setTimeout(
          () => untracked(() => void this.session.answer(design, brief)),
          settled,
        );
        onCleanup(() => clearTimeout(timer));
      },
      { injector: this.injector },
    );
  }
}
