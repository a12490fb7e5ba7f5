import { computed, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import { emptyDesign, type Design } from '@yurei/core/design';
import {
  candidates,
  evenWeights,
  rank,
  sidesOf,
  type Candidate,
  type Chance,
  type Compared,
  type Offered,
  type Ranked,
  type Weights,
} from '@yurei/core/plan';
import {
  catchError,
  concat,
  debounceTime,
  defer,
  EMPTY,
  endWith,
  exhaustMap,
  firstValueFrom,
  ignoreElements,
  merge,
  type Observable,
  share,
  switchMap,
  takeUntil,
  tap,
  timer,
} from 'rxjs';
import { Comparing } from '../bench/comparing';
import { TrialsRunner } from '../bench/trials-runner';
import { remember } from '../common/remember';
import { DesignSession } from '../data/design-session';
import { keyOf } from './key-of';
import { NightsOfBest } from './nights-of-best';

/** Edits that follow each other faster than this are compared together, ms. */
const pause = 300;
/** Of the best so many the chances of error are rehearsed. */
const mostRehearsed = 4;
/** The best so far are rehearsed beside the comparison when it has taken so long, and looked for again so often, ms. */
const [soon, again] = [4000, 500];
const kept = 'yurei.weights';
/** What counts most. */
export const mostWeight = 3;

/** An empty bench with a brief and a plan. */
const benchFor = (asked: string): Design => ({
  ...emptyDesign('First design'),
  ...(JSON.parse(asked) as Pick<Design, 'brief' | 'plan'>),
});

/** The weights as this browser was last told them. */
function weightsKept(): Weights {
  try {
    const told = JSON.parse(localStorage.getItem(kept) ?? '{}') as Partial<Weights>;
    const known = Object.entries(evenWeights).map(([id, usual]) => {
      const weight = told[id as keyof Weights];
      return [
        id,
        typeof weight === 'number' && weight >= 0 && weight <= mostWeight ? weight : usual,
      ];
    });
    return Object.fromEntries(known) as Weights;
  } catch {
    return evenWeights;
  }
}

/** The sensors that are offered for the brief, as they do on a bench of their own, while the brief is changed. */
@Injectable()
export class Comparison {
  private readonly session = inject(DesignSession);
  private readonly comparing = inject(Comparing);
  private readonly trials = inject(TrialsRunner);

  private readonly compared = signal<readonly Compared[]>([]);
  /** How many are being tried; all have been, when as many are there. */
  readonly wanted = computed(() => this.offered().length);
  private readonly offered = signal<readonly Offered[]>([]);
  /** Those of which nothing is known yet but what the catalogue tells. */
  readonly untried = computed(() => {
    const tried = new Set(this.compared().map(keyOf));
    return this.running() ? this.offered().filter((one) => !tried.has(keyOf(one))) : [];
  });
  readonly done = computed(() => this.compared().length);
  readonly running = signal(false);
  /** The catalogue was looked through for the brief. */
  readonly looked = signal(false);
  readonly trouble = signal('');
  readonly weights = signal<Weights>(weightsKept());
  readonly ranked = computed((): Ranked[] => rank(this.compared(), this.weights()));
  readonly sides = computed(() => sidesOf(this.ranked()));
  readonly serving = computed(() => this.ranked().filter((r) => r.serves));
  readonly others = computed(() => this.ranked().filter((r) => !r.serves));
  /** What many nights tell, by sensor. */
  readonly chances = signal<ReadonlyMap<string, Chance[]>>(new Map());

  private readonly asked = computed(() => {
    const { brief, plan } = this.session.design() ?? {};
    if (!brief || !plan) return undefined;
    // Only what they are tried in: what else is said of it tries nothing anew.
    const { needs, outdoors, by, feed, lasts, answer, controller } = brief;
    const { backdrop: _, ...ground } = plan;
    return JSON.stringify({
      brief: { needs, outdoors, by, feed, lasts, answer, controller, tells: '' },
      plan: ground,
    });
  });

  constructor() {
    toObservable(this.asked)
      .pipe(
        debounceTime(pause),
        switchMap((asked) => (asked === undefined ? EMPTY : this.run(benchFor(asked)))),
        takeUntilDestroyed(),
      )
      .subscribe();
  }

  weigh(id: keyof Weights, weight: number): void {
    this.weights.update((weights) => ({ ...weights, [id]: weight }));
    remember(kept, JSON.stringify(this.weights()));
  }

  /**
   * Puts the first design with a sensor on the bench as it is now.
   *
   * @returns why it cannot be; empty when it was
   */
  async take(candidate: Candidate): Promise<string> {
    const design = this.session.design();
    if (!design) return '';
    const { refused, does } = await firstValueFrom(this.comparing.compare(design, [candidate]));
    if (!does) return refused ?? 'There is no first design with it.';
    return this.session.edit(does.edit) ? '' : this.session.refusal();
  }

  private run(design: Design): Observable<unknown> {
    const offered = candidates(design.brief.needs);
    this.compared.set([]);
    this.chances.set(new Map());
    this.trouble.set('');
    this.offered.set(offered);
    this.looked.set(true);
    this.running.set(true);
    const nights = new NightsOfBest(design, this.trials, (one, told) => this.tell(one, told));
    const compared = this.comparing.compare(design, offered).pipe(
      tap((one) => this.compared.update((all) => [...all, one])),
      catchError((error: unknown) => {
        this.trouble.set(error instanceof Error ? error.message : String(error));
        return EMPTY;
      }),
      tap({ complete: () => this.running.set(false) }),
      share(),
    );
    const early = timer(soon, again).pipe(
      takeUntil(compared.pipe(ignoreElements(), endWith(undefined))),
      exhaustMap(() => nights.some(this.best(), mostRehearsed)),
    );
    return concat(
      merge(early, compared),
      defer(() => nights.all(this.best())),
    );
  }

  private best(): Ranked[] {
    return this.serving().slice(0, mostRehearsed);
  }

  private tell(candidate: Candidate, told: Chance[]): void {
    this.chances.update((known) => new Map(known).set(keyOf(candidate), told));
  }
}
