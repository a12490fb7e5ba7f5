import { _IdGenerator } from '@angular/cdk/a11y';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  forwardRef,
  inject,
  input,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { meaningOf } from '@yurei/core/help';
import { Select } from 'primeng/select';
import { FormField, inForms } from './form-field';
import { Hint } from './hint';
import { TypedChoice } from './typed-choice';

export interface Choice {
  value: string;
  label: string;
}

/** A field for one of a few: looks and lines up like the fields for values. */
@Component({
  selector: 'yu-choice-field',
  imports: [FormsModule, Hint, Select, TypedChoice],
  template: `
    <label [for]="id" [id]="id + '-label'" [yuHint]="meaning()">{{ label() }}</label>
    <p-select
      yuTyped
      appendTo="body"
      size="small"
      optionLabel="label"
      optionValue="value"
      scrollHeight="320px"
      [inputId]="id"
      [ariaLabelledBy]="id + '-label'"
      [options]="options()"
      [disabled]="locked()"
      [ngModel]="stands()"
      (onChange)="give($event.value)"
      (onBlur)="touch()"
    />
  `,
  styleUrl: './field.css',
  host: { '[class.wide]': 'wide()' },
  providers: inForms(forwardRef(() => ChoiceField)),
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ChoiceField extends FormField<string> {
  readonly label = input.required<string>();
  readonly choices = input.required<readonly Choice[]>();
  /** Its words need a whole line. */
  readonly wide = input(false);

  protected readonly meaning = computed(() => meaningOf(this.label()));
  protected readonly id = inject(_IdGenerator).getId('choice-');
  protected readonly options = computed(() => [...this.choices()]);

  protected blank(): string {
    return '';
  }
}
