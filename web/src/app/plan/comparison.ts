import { computed, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import { applyEdit, emptyDesign, type Design } from '@yurei/core/design';
import {
  candidates,
  chancesOf,
  evenWeights,
  rank,
  sidesOf,
  type Candidate,
  type Chance,
  type Compared,
  type Nights,
  type Offered,
  type Ranked,
  type Weights,
} from '@yurei/core/plan';
import { usualVariation } from '@yurei/core/trials';
import {
  catchError,
  concatMap,
  debounceTime,
  EMPTY,
  endWith,
  firstValueFrom,
  from,
  map,
  type Observable,
  switchMap,
  tap,
  throttleTime,
} from 'rxjs';
import { Comparing } from '../bench/comparing';
import { TrialsRunner } from '../bench/trials-runner';
import { remember } from '../common/remember';
import { DesignSession } from '../data/design-session';

/** Edits that follow each other faster than this are compared together, ms. */
const pause = 300;
/** Of the best so many the chances of error are rehearsed, over so many nights. */
const mostRehearsed = 4;
export const nights = 200;
/** Rehearsed in rounds: from which share of them to which. */
const rounds = [
  [0, 0.1],
  [0.1, 1],
] as const;
/** What they tell is shown anew this often, ms: to draw it takes the time of nights. */
const often = 300;
const kept = 'yurei.weights';
/** What counts most. */
export const mostWeight = 3;

export const keyOf = ({ sensor, beam }: Candidate): string => (beam ? `${sensor} beam` : sensor);

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
    return this.comparing.compare(design, offered).pipe(
      tap((one) => this.compared.update((all) => [...all, one])),
      catchError((error: unknown) => {
        this.trouble.set(error instanceof Error ? error.message : String(error));
        return EMPTY;
      }),
      endWith(undefined),
      switchMap((one) => {
        if (one) return EMPTY;
        this.running.set(false);
        return this.rehearseBest(design);
      }),
    );
  }

  /**
   * Many nights of the best, shared out among their scenes: some of each, that there is something to go by soon, then the others. Told as
   * they come.
   */
  private rehearseBest(design: Design): Observable<unknown> {
    const best = this.serving()
      .slice(0, mostRehearsed)
      .flatMap((ranked) => {
        const all: Nights[] = [];
        return ranked.does ? [{ ranked, made: applyEdit(design, ranked.does.edit), all }] : [];
      });
    return from(rounds).pipe(
      concatMap((round) => from(best).pipe(map((one) => ({ ...one, round })))),
      concatMap(({ ranked, made, all, round }) =>
        this.nightsOf(made, round).pipe(
          tap((some) => all.push(some)),
          throttleTime(often),
          endWith(undefined),
          tap(() => this.tell(ranked, chancesOf(made.brief.needs, gathered(all)))),
        ),
      ),
    );
  }

  private nightsOf(made: Design, [since, until]: readonly [number, number]): Observable<Nights> {
    const each = Math.ceil(nights / Math.max(1, made.scenes.length));
    const before = Math.round(since * each);
    const count = Math.round(until * each) - before;
    return from(made.scenes).pipe(
      concatMap((scene) => {
        const study = { scene: scene.id, vary: usualVariation, first: before + 1, count };
        return this.trials
          .run(made, { ...study, ask: { for: 'nights' } })
          .pipe(map((some) => ({ scene, trials: some.map(({ night }) => night) })));
      }),
    );
  }

  private tell(candidate: Candidate, told: Chance[]): void {
    this.chances.update((known) => new Map(known).set(keyOf(candidate), told));
  }
}

/** Nights of the same scene together. */
const gathered = (all: readonly Nights[]): Nights[] =>
  [...new Set(all.map((n) => n.scene))].map((scene) => ({
    scene,
    trials: all.flatMap((n) => (n.scene === scene ? n.trials : [])),
  }));
