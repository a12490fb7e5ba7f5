import { _IdGenerator } from '@angular/cdk/a11y';
import { ChangeDetectionStrategy, Component, inject, input, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Checkbox } from 'primeng/checkbox';

/** Something that is so or not, with its words after it. */
@Component({
  selector: 'yu-check-field',
  imports: [Checkbox, FormsModule],
  template: `
    <p-checkbox
      size="small"
      [binary]="true"
      [inputId]="id"
      [disabled]="disabled()"
      [ngModel]="value()"
      (onChange)="changed.emit($event.checked === true)"
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
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CheckField {
  readonly label = input.required<string>();
  readonly value = input.required<boolean>();
  readonly disabled = input(false);
  readonly changed = output<boolean>();

  protected readonly id = inject(_IdGenerator).getId('check-');
}
