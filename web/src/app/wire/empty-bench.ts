import { ChangeDetectionStrategy, Component, inject, output, signal } from '@angular/core';
import { CannotBuild } from '@yurei/core/blocks';
import { makeStart, usualStarts, type Start } from '@yurei/core/plan';
import { Button } from 'primeng/button';
import { RouterLink } from '@angular/router';
import { Message } from 'primeng/message';
import { DesignSession } from '../data/design-session';

/** An empty bench: the usual ways to begin, by what must be noticed. */
@Component({
  selector: 'yu-empty-bench',
  imports: [Button, Message, RouterLink],
  template: `
    <h2>An empty bench: what must be noticed?</h2>
    <p class="soft">
      Each puts a small design that works on the bench: a sensor with what it wants around it, a
      controller, a buzzer, its threshold, a rule, and a scene in which it is noticed. All of it can
      be changed.
    </p>
    <div class="starts">
      @for (start of starts; track start.sensor) {
        <p-button
          size="small"
          severity="secondary"
          variant="outlined"
          [fluid]="true"
          [label]="start.notices"
          (onClick)="begin(start)"
        />
      }
    </div>
    @if (refused()) {
      <p-message class="refused" severity="error" size="small" variant="simple">{{
        refused()
      }}</p-message>
    }
    <p class="soft row">
      Or compare sensors for what you need first:
      <a [routerLink]="['..', 'plan']">Plan</a>
    </p>
    <p class="soft row">
      Or part by part:
      <p-button
        label="Add part"
        icon="pi pi-plus"
        size="small"
        variant="text"
        (onClick)="byHand.emit()"
      />
    </p>
  `,
  styleUrl: './empty-bench.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class EmptyBench {
  /** The maker begins with a part of their own choice. */
  readonly byHand = output();
  private readonly session = inject(DesignSession);
  protected readonly starts = usualStarts;
  protected readonly refused = signal('');

  protected begin(start: Start): void {
    const design = this.session.design();
    if (!design) return;
    try {
      this.session.edit(makeStart(design, start));
      this.refused.set(this.session.refusal());
    } catch (error) {
      if (!(error instanceof CannotBuild)) throw error;
      this.refused.set(error.message);
    }
  }
}
