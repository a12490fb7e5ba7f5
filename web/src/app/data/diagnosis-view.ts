import { computed, effect, inject, Injectable } from '@angular/core';
import { isOpen } from '@yurei/core/check';
import type { Cure, Diagnosis, Proof, Root } from '@yurei/core/diagnosis';
import { withoutAttachments, type Design } from '@yurei/core/design';
import {
  concatMap,
  finalize,
  from,
  scan,
  switchMap,
  timer,
  type Observable,
  startWith,
} from 'rxjs';
import { BenchService } from '../bench/bench';
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
  proofs: ReadonlyMap<Cure, Proof>;
}

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
      finalize(() => {
        this.bench.trying.cancel();
        this.bench.proving.cancel();
      }),
    ),
  );

  /** The diagnosis of the design as it is now; undefined while it is worked out. */
  private readonly found = computed(() => {
    const { found } = this.answer();
    return found?.design === this.session.design() ? found : undefined;
  });
  readonly roots = computed(() => this.offered(this.found()?.diagnosis.roots));
  readonly asides = computed(() => this.offered(this.found()?.diagnosis.asides));

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
      cures: root.cures.map((cure): Offer => ({ ...cure, proof: proofs?.get(cure) })),
    }));
  }

  /** What is wrong, at first with cures that are not proven yet, then with one more proven each time. */
  private diagnose(design: Design, scene: string | undefined): Observable<Found> {
    const { trying, proving } = this.bench;
    const bare = withoutAttachments(design);
    // What scenes come to without a cure is worked out beside the trials, where there may be one; what fails there fails in proofs.
    const wrong = this.view.findings().some(isOpen);
    const foreseen = wrong ? proving.foresee(bare).catch(() => undefined) : undefined;
    return from(trying.diagnose(bare, scene)).pipe(
      switchMap((diagnosis) => {
        const cures = [...diagnosis.roots, ...diagnosis.asides].flatMap((root) => root.cures);
        const start: Found = { design, diagnosis, proofs: new Map() };
        return from(cures).pipe(
          concatMap(async (cure) => {
            await foreseen;
            return { cure, proof: await proving.prove(bare, cure.edit) };
          }),
          scan(
            (found, { cure, proof }) => ({
              ...found,
              proofs: new Map(found.proofs).set(cure, proof),
            }),
            start,
          ),
          startWith(start),
        );
      }),
    );
  }
}
