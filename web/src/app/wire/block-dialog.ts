import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  signal,
} from '@angular/core';
import { CannotBuild, usualAnswers, type Answers, type Ask, type Built } from '@yurei/core/blocks';
import type { Param } from '@yurei/core/catalog';
import { EditError } from '@yurei/core/design';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import { ChoiceField } from '../common/choice-field';
import { ValueField } from '../common/value-field';
import { DesignSession } from '../data/design-session';
import { Selection } from '../data/selection';
import { Blocks } from './blocks';

/** Sets up one block: what it asks, and, before anything is wired, what it would wire and why. */
@Component({
  selector: 'yu-block-dialog',
  imports: [Button, ChoiceField, Dialog, ValueField],
  template: `
    <p-dialog
      closeAriaLabel="Close"
      [header]="chosen()?.block?.label ?? ''"
      [visible]="chosen() !== undefined"
      (visibleChange)="close()"
      [modal]="true"
      [draggable]="false"
      [dismissableMask]="true"
      [style]="{ width: '560px' }"
    >
      @if (chosen(); as chosen) {
        <p class="soft">{{ chosen.block.summary }}</p>
        <div class="fields">
          @for (ask of asks(); track ask.id) {
            @if (ask.type === 'pick') {
              <yu-choice-field
                [label]="ask.label"
                [choices]="ask.options"
                [value]="'' + answers()[ask.id]"
                (changed)="answer(ask.id, $event)"
              />
            } @else {
              <yu-value-field
                [param]="paramOf(ask)"
                [value]="+answers()[ask.id]"
                (changed)="answer(ask.id, $event)"
              />
            }
          }
        </div>
        @if (plan().built; as built) {
          <ul>
            @for (line of built.because; track line) {
              <li>{{ line }}</li>
            }
          </ul>
        } @else {
          <p class="refused" role="alert">{{ plan().reason }}</p>
        }
        <div class="row">
          <p-button label="Wire it" size="small" [disabled]="!plan().built" (onClick)="wire()" />
          <p-button
            label="Cancel"
            size="small"
            severity="secondary"
            variant="outlined"
            (onClick)="close()"
          />
        </div>
      }
    </p-dialog>
  `,
  styleUrl: './block-dialog.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BlockDialog {
  private readonly session = inject(DesignSession);
  private readonly selection = inject(Selection);
  private readonly blocks = inject(Blocks);
  protected readonly chosen = this.blocks.open;
  /** What the maker has answered otherwise than usual. */
  private readonly own = signal<Answers>({});

  protected readonly asks = computed((): Ask[] => {
    const chosen = this.chosen();
    const design = this.session.design();
    const part = this.own()['part'];
    const about = typeof part === 'string' ? part : chosen?.about;
    return chosen && design ? chosen.block.asks(design, about) : [];
  });
  protected readonly answers = computed((): Answers => ({
    ...usualAnswers(this.asks()),
    ...this.own(),
  }));
  /** What would be wired, or why nothing can be. */
  protected readonly plan = computed((): { built?: Built; reason?: string } => {
    const chosen = this.chosen();
    const design = this.session.design();
    if (!chosen || !design) return {};
    try {
      return { built: chosen.block.build(design, this.answers()) };
    } catch (error) {
      const expected = error instanceof CannotBuild || error instanceof EditError;
      if (!expected) throw error;
      return { reason: error.message };
    }
  });

  constructor() {
    effect(() => {
      if (this.chosen()) this.own.set({});
    });
  }

  protected paramOf(ask: Extract<Ask, { type: 'number' }>): Param {
    return { id: ask.id, label: ask.label, unit: ask.unit, default: ask.value, min: 0, max: 1e9 };
  }

  protected answer(id: string, value: string | number): void {
    this.own.update((own) => ({ ...own, [id]: value }));
  }

  protected wire(): void {
    const { built } = this.plan();
    if (!built || !this.session.edit(built.edit)) return;
    this.selection.clear();
    this.close();
  }

  protected close(): void {
    this.chosen.set(undefined);
  }
}
