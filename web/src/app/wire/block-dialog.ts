import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  untracked,
} from '@angular/core';
import { FormControl, FormRecord, ReactiveFormsModule } from '@angular/forms';
import { CannotBuild, usualAnswers, type Answers, type Ask, type Built } from '@yurei/core/blocks';
import type { Param } from '@yurei/core/catalog';
import { EditError } from '@yurei/core/design';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import { Message } from 'primeng/message';
import { ChoiceField } from '../common/choice-field';
import { formState } from '../common/form-state';
import { ValueField } from '../common/value-field';
import { DesignSession } from '../data/design-session';
import { Selection } from '../data/selection';
import { Blocks } from './blocks';

/** Sets up one block: what it asks, and, before anything is wired, what it would wire and why. */
@Component({
  selector: 'yu-block-dialog',
  imports: [Button, ChoiceField, Dialog, Message, ReactiveFormsModule, ValueField],
  template: `
    <p-dialog
      transitionOptions="0ms"
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
        <form class="fields" [formGroup]="form">
          @for (ask of asks(); track ask.id) {
            @if (ask.type === 'pick') {
              <yu-choice-field
                [label]="ask.label"
                [choices]="ask.options"
                [formControlName]="ask.id"
              />
            } @else {
              <yu-value-field [param]="paramOf(ask)" [formControlName]="ask.id" />
            }
          }
        </form>
        @if (plan().built; as built) {
          <ul>
            @for (line of built.because; track line) {
              <li>{{ line }}</li>
            }
          </ul>
        } @else {
          <p-message class="refused" severity="error" size="small" variant="simple">{{
            plan().reason
          }}</p-message>
        }
        <div class="row">
          <p-button
            label="Wire it"
            size="small"
            [disabled]="!plan().built || form.invalid"
            (onClick)="wire()"
          />
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
  /** The answers by the ids of what is asked: as usual, until the maker answers otherwise. */
  protected readonly form = new FormRecord<FormControl<string | number>>({});
  private readonly answers = formState(this.form);
  private readonly about = computed(() => {
    const part = this.answers().value['part'] as Answers[string] | undefined;
    return typeof part === 'string' ? part : this.chosen()?.about;
  });

  protected readonly asks = computed((): Ask[] => {
    const chosen = this.chosen();
    const design = this.session.design();
    return chosen && design ? chosen.block.asks(design, this.about()) : [];
  });
  /** What would be wired, or why nothing can be. */
  protected readonly plan = computed((): { built?: Built; reason?: string } => {
    const chosen = this.chosen();
    const design = this.session.design();
    if (!chosen || !design) return {};
    try {
      return { built: chosen.block.build(design, this.answers().value) };
    } catch (error) {
      const expected = error instanceof CannotBuild || error instanceof EditError;
      if (!expected) throw error;
      return { reason: error.message };
    }
  });

  constructor() {
    effect(() => {
      this.chosen();
      untracked(() => this.forget());
    });
    effect(() => {
      const usual = usualAnswers(this.asks());
      untracked(() => this.ask(usual));
    });
  }

  private forget(): void {
    for (const id of Object.keys(this.form.controls)) this.form.removeControl(id);
  }

  /** Another part may ask for something else, or usually have something else. */
  private ask(usual: Answers): void {
    const { controls } = this.form;
    for (const id of Object.keys(controls)) if (!(id in usual)) this.form.removeControl(id);
    for (const [id, value] of Object.entries(usual)) {
      const known = id in controls ? controls[id] : undefined;
      if (!known) this.form.addControl(id, new FormControl(value, { nonNullable: true }));
      else if (known.pristine && known.value !== value) known.setValue(value);
    }
  }

  protected paramOf(ask: Extract<Ask, { type: 'number' }>): Param {
    return { id: ask.id, label: ask.label, unit: ask.unit, default: ask.value, min: 0, max: 1e9 };
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
