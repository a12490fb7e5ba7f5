import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { Finding } from '@yurei/core/check';
import { Button } from 'primeng/button';
import { DesignSession } from '../data/design-session';
import { Selection } from '../data/selection';

const words: Record<Finding['severity'], string> = {
  error: 'Wrong',
  caution: 'Caution',
  note: 'Note',
  fine: 'Fine',
  safety: 'Safety',
};

/** One finding: what is wrong where, the number, what happens on the bench, and the fix. */
@Component({
  selector: 'yu-finding-card',
  imports: [Button],
  template: `
    <section class="finding" [attr.data-severity]="finding().severity">
      <h3>
        <span class="word">{{ word() }}</span>
        @if (place(); as place) {
          <button type="button" class="title" [title]="'Show ' + place.id" (click)="show()">
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
      @if (finding().fix; as fix) {
        <p-button
          [label]="fix.label"
          icon="pi pi-wrench"
          size="small"
          variant="outlined"
          (onClick)="session.edit(fix.edit)"
        />
      }
    </section>
  `,
  styleUrl: './finding-card.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FindingCard {
  readonly finding = input.required<Finding>();
  private readonly selection = inject(Selection);
  protected readonly session = inject(DesignSession);
  protected readonly word = computed(() => words[this.finding().severity]);

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
