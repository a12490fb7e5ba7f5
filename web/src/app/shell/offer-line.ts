import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { Button } from 'primeng/button';
import { DesignSession } from '../data/design-session';
import type { Offer } from '../data/diagnosis-view';

const verdicts = (count: number): string => `${count} verdict${count === 1 ? '' : 's'}`;

/** One cure: the mistake that it undoes, what the meter tells of it, and a button once it is known to harm nothing. */
@Component({
  selector: 'yu-offer-line',
  imports: [Button],
  template: `
    @if (offer().kind === 'mistake') {
      <p><strong>Likely:</strong> {{ offer().says }}.</p>
    }
    @if (offer().meter; as meter) {
      <p class="soft">To be sure: {{ meter }}.</p>
    }
    @if (harm(); as harm) {
      <p class="soft">“{{ offer().label }}” clears it, but is not offered: {{ harm }}.</p>
    } @else {
      <p-button
        [label]="offer().label"
        icon="pi pi-wrench"
        size="small"
        variant="outlined"
        [disabled]="!offer().proof"
        (onClick)="session.edit(offer().edit)"
      />
      <p class="soft" role="status">{{ effect() }}</p>
      @if (offer().proof?.reveals?.length) {
        <p class="soft">
          It was quiet because it was dead. Then: {{ offer().proof?.reveals?.join('; ') }}.
        </p>
      }
    }
  `,
  styleUrl: './offer-line.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class OfferLine {
  readonly offer = input.required<Offer>();
  protected readonly session = inject(DesignSession);

  /** What it would make worse, in words. */
  protected readonly harm = computed(() => this.offer().proof?.worse.join('; '));

  protected readonly effect = computed(() => {
    const { proof, clears } = this.offer();
    if (!proof) return 'Trying it in every scene…';
    const found = `Clears ${clears} finding${clears === 1 ? '' : 's'}`;
    const better = proof.better.length;
    const turns = better > 0 ? `, turns ${verdicts(better)} right` : '';
    return `${found}${turns}${proof.reveals.length > 0 ? '.' : '; everything else stays.'}`;
  });
}
