import { applyEdit, type Design } from '@yurei/core/design';
import { chancesOf, type Candidate, type Chance, type Nights, type Ranked } from '@yurei/core/plan';
import { usualVariation } from '@yurei/core/trials';
import {
  concatMap,
  defer,
  EMPTY,
  endWith,
  from,
  map,
  type Observable,
  tap,
  throttleTime,
} from 'rxjs';
import type { TrialsRunner } from '../bench/trials-runner';
import { keyOf } from './key-of';

/** So many nights each is rehearsed over, shared out among its scenes. */
const nights = 200;
/** Up to which share of them a round goes. */
const rounds = [0.1, 1] as const;
/** What they tell is shown anew this often, ms: to draw it takes the time of nights. */
const often = 300;

/** A sensor on its own bench, and what was rehearsed of it. */
interface Rehearsed {
  made: Design;
  all: Nights[];
  rounds: number;
}

/** Many nights of the best sensors for a brief; none is rehearsed twice. */
export class NightsOfBest {
  private readonly known = new Map<string, Rehearsed>();

  /** @param tell what it is told of a sensor as its nights come */
  constructor(
    private readonly design: Design,
    private readonly trials: TrialsRunner,
    private readonly tell: (candidate: Candidate, told: Chance[]) => void,
  ) {}

  /** Some nights of each that has none yet, that there is something to go by soon; of no more than `most` in all. */
  some(best: readonly Ranked[], most: number): Observable<unknown> {
    const without = best.filter((one) => !this.known.has(keyOf(one)));
    return this.round(without.slice(0, most - this.known.size), 0);
  }

  /** Some of each, then the others. */
  all(best: readonly Ranked[]): Observable<unknown> {
    return from(rounds.keys()).pipe(concatMap((number) => this.round(best, number)));
  }

  private round(best: readonly Ranked[], number: number): Observable<unknown> {
    return from(best).pipe(
      concatMap((ranked) =>
        defer(() => {
          const one = this.of(ranked);
          return one && one.rounds === number ? this.rehearse(ranked, one) : EMPTY;
        }),
      ),
    );
  }

  private of(ranked: Ranked): Rehearsed | undefined {
    const known = this.known.get(keyOf(ranked));
    if (known || !ranked.does) return known;
    const one = { made: applyEdit(this.design, ranked.does.edit), all: [], rounds: 0 };
    this.known.set(keyOf(ranked), one);
    return one;
  }

  private rehearse(ranked: Ranked, one: Rehearsed): Observable<unknown> {
    const { made, all } = one;
    return this.next(one).pipe(
      tap((some) => all.push(some)),
      throttleTime(often),
      endWith(undefined),
      tap(() => this.tell(ranked, chancesOf(made.brief.needs, gathered(all)))),
    );
  }

  private next(one: Rehearsed): Observable<Nights> {
    const { made } = one;
    const each = Math.ceil(nights / Math.max(1, made.scenes.length));
    const before = Math.round((rounds[one.rounds - 1] ?? 0) * each);
    const count = Math.round((rounds[one.rounds] ?? 1) * each) - before;
    one.rounds++;
    return from(made.scenes).pipe(
      concatMap((scene) => {
        const study = { scene: scene.id, vary: usualVariation, first: before + 1, count };
        return this.trials
          .run(made, { ...study, ask: { for: 'nights' } })
          .pipe(map((some) => ({ scene, trials: some.map(({ night }) => night) })));
      }),
    );
  }
}

/** Nights of the same scene together. */
const gathered = (all: readonly Nights[]): Nights[] =>
  [...new Set(all.map((n) => n.scene))].map((scene) => ({
    scene,
    trials: all.flatMap((n) => (n.scene === scene ? n.trials : [])),
  }));
