import { _IdGenerator } from '@angular/cdk/a11y';
import { ChangeDetectionStrategy, Component, forwardRef, inject, input } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Checkbox } from 'primeng/checkbox';
import { FormField, inForms } from './form-field';

/** Something that is so or not, with its words after it. */
@Component({
  selector: 'yu-check-field',
  imports: [Checkbox, FormsModule],
  template: `
    <p-checkbox
      size="small"
      [binary]="true"
      [inputId]="id"
      [disabled]="disabled() || locked()"
      [ngModel]="stands()"
      (onChange)="give($event.checked === true)"
      (onBlur)="touch()"
    />
    <label [for]="id">{{ label() }}</label>
  `,
  styles: `
    :host {
      display: inline-flex;
      align-items: center;
      gap: 7px;
    }
    label {
      font-size: var(--type-small);
    }
  `,
  providers: inForms(forwardRef(() => CheckField)),
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CheckField extends FormField<boolean> {
  readonly label = input.required<string>();
  readonly disabled = input(false);

  protected readonly id = inject(_IdGenerator).getId('check-');

  protected blank(): boolean {
    return false;
  }
}
