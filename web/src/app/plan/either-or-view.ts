import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import { withoutAttachments, type Design } from '@yurei/core/design';
import type { EitherOr } from '@yurei/core/plan';
import { Button } from 'primeng/button';
import { ProgressBar } from 'primeng/progressbar';
import { debounceTime, EMPTY, from, map, scan, startWith, switchMap, type Observable } from 'rxjs';
import { BenchService } from '../bench/bench';
import { Comparing, type Weighed } from '../bench/comparing';
import { HelpHint } from '../common/help-hint';
import { DesignSession } from '../data/design-session';
import { judgeEffect, sayEffect } from './say-effect';

/** Edits that follow each other faster than this are weighed together, ms. */
const pause = 300;

interface Told {
  /** What was weighed: the changes are for it alone. */
  design?: Design;
  pairs: EitherOr[];
  /** The first is the design as it stands. */
  weighed: Weighed[];
}

/** What makers settle one way or the other, tried both ways on the design as it stands. */
@Component({
  selector: 'yu-either-or-view',
  imports: [Button, HelpHint, ProgressBar],
  templateUrl: './either-or-view.html',
  styleUrl: './either-or-view.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class EitherOrView {
  private readonly session = inject(DesignSession);
  private readonly bench = inject(BenchService);
  private readonly comparing = inject(Comparing);
  private readonly told = signal<Told>({ pairs: [], weighed: [] });

  /** Nothing can be tried without something that is read, and something that happens. */
  protected readonly missing = computed(() => {
    const design = this.session.design();
    if (!design || design.channels.length === 0)
      return 'Take a sensor, or wire one and read it: then what could be the other way is tried here.';
    if (!design.scenes.some((s) => s.happenings.length > 0))
      return 'Put something into a scene in Rehearse: then what could be the other way is tried here.';
    return '';
  });
  protected readonly share = computed(() => {
    const { pairs, weighed } = this.told();
    return pairs.length > 0 ? (100 * weighed.length) / (pairs.length + 1) : 0;
  });
  /** The design was changed since: a change now would take that back. */
  protected readonly isPast = computed(() => this.told().design !== this.session.design());
  protected readonly rows = computed(() => {
    const { pairs, weighed } = this.told();
    const found = (which: number) => weighed.find((w) => w.which === which);
    const now = found(0);
    return pairs.map((pair, i) => {
      const then = found(i + 1);
      if (!now || !then) return { pair, says: 'Being tried…', judged: 'open' };
      const refused = 'refused' in now ? now.refused : 'refused' in then ? then.refused : undefined;
      if (refused !== undefined || 'refused' in now || 'refused' in then)
        return { pair, says: refused ?? '', judged: 'refused' };
      const judged = judgeEffect(now.effect, then.effect);
      return { pair, says: sayEffect(now.effect, then.effect), judged };
    });
  });

  constructor() {
    toObservable(this.session.design)
      .pipe(
        debounceTime(pause),
        switchMap((design) => (design && this.missing() === '' ? this.weigh(design) : EMPTY)),
        takeUntilDestroyed(),
      )
      .subscribe((told) => this.told.set(told));
  }

  private weigh(design: Design): Observable<Told> {
    const lean = withoutAttachments(design);
    return from(this.bench.patient.eitherOrs(lean)).pipe(
      switchMap((pairs) =>
        this.comparing.weigh(lean, [undefined, ...pairs.map((p) => p.edit)]).pipe(
          scan((all: Weighed[], one) => [...all, one], []),
          startWith([]),
          map((weighed) => ({ design, pairs, weighed })),
        ),
      ),
    );
  }

  protected take({ edit }: EitherOr): void {
    if (!this.isPast()) this.session.edit(edit);
  }
}
