import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Select } from 'primeng/select';
import type { Choice } from './choice-field';
import { TypedChoice } from './typed-choice';

/** One of a few, within a sentence or a row of tools; its label is read out, not shown. */
@Component({
  selector: 'yu-inline-choice',
  imports: [FormsModule, Select, TypedChoice],
  template: `
    <p-select
      yuTyped
      appendTo="body"
      size="small"
      optionLabel="label"
      optionValue="value"
      scrollHeight="320px"
      [ariaLabel]="label()"
      [options]="options()"
      [disabled]="disabled()"
      [ngModel]="value()"
      (onChange)="changed.emit($event.value)"
    />
  `,
  styles: `
    p-select {
      max-width: 220px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class InlineChoice {
  readonly label = input.required<string>();
  readonly choices = input.required<readonly Choice[]>();
  readonly value = input.required<string>();
  readonly disabled = input(false);
  readonly changed = output<string>();

  protected readonly options = computed(() => [...this.choices()]);
}
