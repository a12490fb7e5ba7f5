import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import type { Need } from '@yurei/core/design';
import { tryIn, untried } from '@yurei/core/plan';
import { formatNominal, formatQuantity } from '@yurei/core/quantity';
import { tellTrouble, wentWrong } from '@yurei/core/rehearsal';
import { HelpHint } from '../common/help-hint';
import { Press } from '../common/press';
import { sayMoment } from '../common/say-moment';
import { BenchView } from '../data/bench-view';
import { DesignSession } from '../data/design-session';
import { Selection } from '../data/selection';
import { VerdictChain } from './verdict-chain';
import { WhyCard } from './why-card';

/** What came of everything that happens in a scene, with the chain of causes of the one that is picked. */
@Component({
  selector: 'yu-verdict-list',
  imports: [HelpHint, Press, VerdictChain, WhyCard],
  templateUrl: './verdict-list.html',
  styleUrl: './verdict-list.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { class: 'verdicts' },
})
export class VerdictList {
  private readonly session = inject(DesignSession);
  protected readonly view = inject(BenchView);
  protected readonly selection = inject(Selection);
  protected readonly moment = sayMoment;
  /** Of what it was asked why: a happening, or a moment at which something fired without any. */
  protected readonly asked = signal<string | number | undefined>(undefined);

  protected readonly rows = computed(() =>
    (this.view.scene()?.happenings ?? []).map((happening) => {
      const verdict = this.view.rehearsal()?.verdicts.find((v) => v.happening === happening.id);
      const bad = wentWrong(verdict?.outcome);
      const delay =
        verdict?.delay === undefined ? '' : ` after ${formatQuantity(verdict.delay, 's')}`;
      return {
        happening,
        starts: formatNominal(happening.start, 's'),
        verdict,
        bad,
        outcome: verdict ? `${verdict.outcome}${delay}` : 'not rehearsed',
      };
    }),
  );

  /** What of the brief no scene tries. */
  protected readonly untried = computed(() => {
    const design = this.session.design();
    return design ? untried(design) : [];
  });

  protected tryHere(need: Need): void {
    const [design, scene] = [this.session.design(), this.view.scene()];
    const edit = design && scene && tryIn(design, scene, need);
    if (edit) this.session.edit(edit);
  }

  /** What went wrong electrically. */
  protected readonly troubles = computed(() => {
    const [design, rehearsal] = [this.session.design(), this.view.rehearsal()];
    if (!design || !rehearsal) return [];
    return rehearsal.troubles.map((trouble) => ({
      ...trouble,
      text: tellTrouble(design, trouble),
    }));
  });

  /** The circuit at a moment, with a part of it picked. */
  protected goTo(t: number, part: string): void {
    this.view.moveTo(t);
    this.selection.pick('part', part);
  }

  /** How the circuit was taken. */
  protected readonly taken = computed(() => {
    const [rehearsal, halted] = [this.view.rehearsal(), this.view.halted()];
    if (this.view.rehearsing())
      return this.view.following() ? 'Following the circuit in time; until then as before…' : '';
    if (!rehearsal) return '';
    if (rehearsal.circuit === 'in time') return 'The circuit was followed in time.';
    const settled =
      this.view.scene()?.starts === 'power-on'
        ? 'The circuit is taken as settled, as if power had come on long ago'
        : 'The circuit is taken as settled at each moment';
    if (halted)
      return `${settled}: in time it was followed until ${formatQuantity(halted.t, 's')} only, as ${halted.because}. What takes time in it is not in these verdicts.`;
    return this.view.following() ? `${settled}; following it in time…` : `${settled}.`;
  });
}
