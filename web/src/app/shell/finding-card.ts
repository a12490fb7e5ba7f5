import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { sayConsequence, type Finding } from '@yurei/core/check';
import { Fold } from '../common/fold';
import { Hint } from '../common/hint';
import { Press } from '../common/press';
import { DesignSession } from '../data/design-session';
import type { OfferedRoot } from '../data/diagnosis-view';
import { Selection } from '../data/selection';
import { AcceptLine } from './accept-line';
import { OfferLine } from './offer-line';

const words: Partial<Record<Finding['severity'], string>> = {
  note: 'Note',
  fine: 'Fine',
  safety: 'Safety',
  accepted: 'Accepted',
};

/** One finding: what is wrong where, the number, what happens on the bench, what follows from it, and what cures it. */
@Component({
  selector: 'yu-finding-card',
  imports: [AcceptLine, Fold, Hint, OfferLine, Press],
  template: `
    <section class="finding" [attr.data-severity]="finding().severity">
      <h3>
        <span class="word">{{ word() }}</span>
        @if (place(); as place) {
          <button yuPress="bare" class="title" [yuHint]="'Show ' + place.id" (click)="show()">
            {{ finding().title }}
          </button>
        } @else {
          {{ finding().title }}
        }
      </h3>
      <p>{{ finding().reason }}</p>
      @if (finding().bench; as bench) {
        @if (finding().severity !== 'safety') {
          <p class="bench">On the bench: {{ bench }}</p>
        }
      }
      @for (cure of root()?.cures; track cure.label) {
        @if ($index > 0) {
          <p class="or">or</p>
        }
        <yu-offer-line [offer]="cure" />
      }
      @if (root()?.effects?.length; as count) {
        <yu-fold
          [label]="count === 1 ? 'One more follows from it' : count + ' more follow from it'"
        >
          @for (effect of root()?.effects; track effect.id) {
            <p class="effect">
              <strong>{{ effect.title }}.</strong> {{ effect.reason }}
            </p>
          }
        </yu-fold>
      }
      <yu-accept-line [id]="finding().id" />
    </section>
  `,
  styleUrl: './finding-card.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FindingCard {
  readonly finding = input.required<Finding>();
  /** What follows from it and cures it, where that is known. */
  readonly root = input<OfferedRoot>();
  private readonly selection = inject(Selection);
  private readonly session = inject(DesignSession);
  protected readonly word = computed(
    () => words[this.finding().severity] ?? sayConsequence(this.finding()),
  );

  /** The first thing it is about that can be picked. */
  protected readonly place = computed(() => {
    const design = this.session.design();
    if (!design) return undefined;
    const lists = { part: design.parts, wire: design.wires, channel: design.channels } as const;
    for (const id of this.finding().about) {
      for (const type of ['part', 'wire', 'channel'] as const) {
        if (lists[type].some((item) => item.id === id)) return { type, id };
      }
    }
    return undefined;
  });

  protected show(): void {
    const place = this.place();
    if (place) this.selection.pick(place.type, place.id);
  }
}
