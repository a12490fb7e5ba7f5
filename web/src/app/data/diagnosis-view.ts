import { computed, effect, inject, Injectable } from '@angular/core';
import { isOpen } from '@yurei/core/check';
import {
  proofOf,
  provenIn,
  type BothRuns,
  type Cure,
  type Diagnosis,
  type Proof,
  type Root,
} from '@yurei/core/diagnosis';
import { withoutAttachments, type Design } from '@yurei/core/design';
import {
  catchError,
  combineLatest,
  concat,
  concatMap,
  connect,
  defer,
  EMPTY,
  finalize,
  from,
  groupBy,
  ignoreElements,
  map,
  merge,
  mergeMap,
  mergeScan,
  of,
  scan,
  shareReplay,
  startWith,
  switchMap,
  take,
  timer,
  toArray,
  type Observable,
} from 'rxjs';
import { BenchService } from '../bench/bench';
import type { SceneOutcomes } from '../bench/judging';
import { answerTo } from './answer';
import { BenchView } from './bench-view';
import { DesignSession } from './design-session';

/** How long after the last edit cures are tried, ms. */
const tryAfter = 200;

/** A cure as far as it is known what it does to the verdicts. */
export interface Offer extends Cure {
  proof?: Proof;
}

/** Something wrong with what follows from it and what may be done about it. */
export interface OfferedRoot extends Root {
  cures: Offer[];
}

interface Found {
  design: Design;
  diagnosis: Diagnosis;
  /** Whether more is being tried. */
  isTrying: boolean;
  proofs: Proofs;
}

/** What cures do to verdicts, by what they change. */
type Proofs = ReadonlyMap<string, Proof>;

const keyOf = ({ edit }: Cure): string => JSON.stringify(edit);

/** What is wrong with the present design, roots first; cures are offered when every scene has been tried with them. */
@Injectable()
export class DiagnosisView {
  private readonly session = inject(DesignSession);
  private readonly view = inject(BenchView);
  private readonly bench = inject(BenchService);
  private readonly asked = computed(() => {
    const [design, scene] = [this.session.design(), this.view.scene()?.id];
    return design && { design, scene };
  });
  private readonly answer = answerTo(this.asked, ({ design, scene }) =>
    timer(tryAfter).pipe(
      switchMap(() => this.diagnose(design, scene)),
      finalize(() => this.bench.trying.cancel()),
    ),
  );

  /** The diagnosis of the design as it is now; undefined while it is worked out. */
  private readonly found = computed(() => {
    const { found } = this.answer();
    return found?.design === this.session.design() ? found : undefined;
  });
  readonly roots = computed(() => this.offered(this.found()?.diagnosis.roots));
  readonly asides = computed(() => this.offered(this.found()?.diagnosis.asides));
  /** Whether it is being tried what cures it. */
  readonly isTrying = computed(() => this.found()?.isTrying ?? true);

  constructor() {
    effect(() => {
      const { trouble } = this.answer();
      if (trouble) this.view.trouble.set(trouble);
    });
  }

  private offered(roots: readonly Root[] | undefined): OfferedRoot[] | undefined {
    const proofs = this.found()?.proofs;
    return roots?.map((root) => ({
      ...root,
      cures: root.cures.map((cure): Offer => ({ ...cure, proof: proofs?.get(keyOf(cure)) })),
    }));
  }

  /** What is wrong, at first with cures that are not proven yet, then with one more proven each time. */
  private diagnose(design: Design, scene: string | undefined): Observable<Found> {
    const bare = withoutAttachments(design);
    const before = this.unchanged(bare);
    // What scenes come to without a cure is worked out beside the trials, where there may be one; what fails there fails in proofs.
    const wrong = this.view.findings().some(isOpen);
    const foreseen = wrong ? before.pipe(catchError(() => EMPTY)).subscribe() : undefined;
    return this.diagnoses(bare, scene).pipe(
      connect((found) => combineLatest([found, this.allProofs(bare, found, before)])),
      map(([found, proofs]) => ({ ...found, design, proofs })),
      finalize(() => foreseen?.unsubscribe()),
    );
  }

  /** Proofs of all cures of one diagnosis after the other, one more each time: each cure is proven once. */
  private allProofs(
    design: Design,
    found: Observable<Pick<Found, 'diagnosis'>>,
    before: Observable<readonly SceneOutcomes[]>,
  ): Observable<Proofs> {
    const none: Proofs = new Map();
    return found.pipe(
      mergeScan(
        (known, { diagnosis }) => {
          const cures = inTurns(diagnosis).filter((cure) => !known.has(keyOf(cure)));
          return this.proofs(design, cures, before).pipe(
            scan((proofs, [cure, proof]): Proofs => new Map(proofs).set(keyOf(cure), proof), known),
          );
        },
        none,
        1,
      ),
      startWith(none),
    );
  }

  /** What one mistake explains, and then what two do where something is left. */
  private diagnoses(
    design: Design,
    scene: string | undefined,
  ): Observable<Pick<Found, 'diagnosis' | 'isTrying'>> {
    const { trying } = this.bench;
    return from(trying.diagnose(design, scene)).pipe(
      switchMap(({ diagnosis, isUnexplained }) => {
        const first = of({ diagnosis, isTrying: isUnexplained });
        if (!isUnexplained) return first;
        const both = defer(() => trying.countOnTwo());
        return concat(
          first,
          both.pipe(map((two) => ({ diagnosis: two ?? diagnosis, isTrying: false }))),
        );
      }),
    );
  }

  /** Each cure with what it does to the verdicts, as it is known. */
  private proofs(
    design: Design,
    cures: readonly Cure[],
    before: Observable<readonly SceneOutcomes[]>,
  ): Observable<readonly [Cure, Proof]> {
    if (design.scenes.length === 0) return from(cures.map((cure) => [cure, proofOf([])] as const));
    return from(inParts(design, cures)).pipe(
      concatMap(([part, some]) =>
        this.proofsIn(part, some, part === design ? before : this.unchanged(part)),
      ),
    );
  }

  /** What scenes come to without a cure: worked out once for all that listen. */
  private unchanged(part: Design): Observable<readonly SceneOutcomes[]> {
    return this.bench.judging
      .outcomes(part, [undefined])
      .pipe(toArray(), shareReplay({ bufferSize: 1, refCount: true }));
  }

  /** The same of cures that are proven in one part of a design: scenes are gone through with them and without at the same time. */
  private proofsIn(
    part: Design,
    cures: readonly Cure[],
    before: Observable<readonly SceneOutcomes[]>,
  ): Observable<readonly [Cure, Proof]> {
    const edits = cures.map((cure) => cure.edit);
    const proofs = this.bench.judging.outcomes(part, edits).pipe(
      groupBy(({ which }) => which),
      mergeMap((one) =>
        one.pipe(
          take(part.scenes.length),
          toArray(),
          mergeMap((after) => before.pipe(map((unchanged) => bothRuns(unchanged, after)))),
          mergeMap((runs) =>
            cures.slice(one.key, one.key + 1).map((cure) => [cure, proofOf(runs)] as const),
          ),
        ),
      ),
    );
    return merge(before.pipe(ignoreElements()), proofs);
  }
}

/** The scenes as they come out without a change and with it. */
const bothRuns = (
  unchanged: readonly SceneOutcomes[],
  changed: readonly SceneOutcomes[],
): BothRuns[] =>
  changed.flatMap(({ scene, outcomes: after }) => {
    const before = unchanged.find((u) => u.scene.id === scene.id)?.outcomes;
    return before ? [{ scene, before, after }] : [];
  });

/** Cures by the part of a design in which they are proven. */
function inParts(design: Design, cures: readonly Cure[]): Map<Design, Cure[]> {
  const parts = new Map<Design, Cure[]>();
  for (const cure of cures) {
    const part = provenIn(design, cure);
    parts.set(part, [...(parts.get(part) ?? []), cure]);
  }
  return parts;
}

/** The first cure of each root, then the second of each, and so on. */
function inTurns({ roots, asides }: Diagnosis): Cure[] {
  const all = [...roots, ...asides].map((root) => root.cures);
  const most = Math.max(0, ...all.map((cures) => cures.length));
  return Array.from({ length: most }, (_, i) => all.flatMap((cures) => cures[i] ?? [])).flat();
}
