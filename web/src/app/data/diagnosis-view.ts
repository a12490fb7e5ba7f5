import { computed, effect, inject, Injectable, signal } from '@angular/core';
import type { Cure, Diagnosis, Proof, Root } from '@yurei/core/diagnosis';
import { withoutReadings, type Design } from '@yurei/core/design';
import { BenchService } from '../bench/bench';
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

/** What is wrong with the present design, roots first; cures are offered when every scene has been tried with them. */
@Injectable()
export class DiagnosisView {
  private readonly session = inject(DesignSession);
  private readonly view = inject(BenchView);
  private readonly bench = inject(BenchService);
  private turn = 0;
  private readonly found = signal<{ design: Design; diagnosis: Diagnosis } | undefined>(undefined);
  private readonly proofs = signal<ReadonlyMap<Cure, Proof>>(new Map());

  /** The diagnosis of the design as it is now; undefined while it is worked out. */
  private readonly diagnosis = computed(() => {
    const found = this.found();
    return found && found.design === this.session.design() ? found.diagnosis : undefined;
  });
  readonly roots = computed(() => this.offered(this.diagnosis()?.roots));
  readonly asides = computed(() => this.offered(this.diagnosis()?.asides));

  constructor() {
    effect((onCleanup) => {
      const design = this.session.design();
      const scene = this.view.scene()?.id;
      if (!design) return;
      const turn = ++this.turn;
      this.bench.trying.cancel();
      const timer = setTimeout(() => void this.diagnose(turn, design, scene), tryAfter);
      onCleanup(() => {
        clearTimeout(timer);
      });
    });
  }

  private offered(roots: readonly Root[] | undefined): OfferedRoot[] | undefined {
    const proofs = this.proofs();
    return roots?.map((root) => ({
      ...root,
      cures: root.cures.map((cure): Offer => ({ ...cure, proof: proofs.get(cure) })),
    }));
  }

  private async diagnose(turn: number, design: Design, scene: string | undefined): Promise<void> {
    const bare = withoutReadings(design);
    try {
      const diagnosis = await this.bench.trying.diagnose(bare, scene);
      if (turn !== this.turn) return;
      this.found.set({ design, diagnosis });
      this.proofs.set(new Map());
      const cures = [...diagnosis.roots, ...diagnosis.asides].flatMap((root) => root.cures);
      for (const cure of cures) {
        const proof = await this.bench.trying.prove(bare, cure.edit);
        if (turn !== this.turn) return;
        this.proofs.update((known) => new Map(known).set(cure, proof));
      }
    } catch (error) {
      if (turn === this.turn)
        this.view.trouble.set(error instanceof Error ? error.message : String(error));
    }
  }
}
